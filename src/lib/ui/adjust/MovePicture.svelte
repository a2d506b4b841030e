<script lang="ts">
	import { linearScale, stripSpan } from '$lib/ui/instrument/scale';

	interface Props {
		/** All in one unit. */
		band: { readonly low: number | null; readonly high: number | null } | null;
		before: number;
		/** After each change. */
		after: readonly number[];
		/** Above this the day's limit is broken. */
		warn: boolean;
		/** The place in words. */
		words: string;
	}
	let { band, before, after, warn, words }: Props = $props();

	const scale = $derived(linearScale(...stripSpan(band, [before, ...after])));
	const x = (v: number) => `${scale.percent(v).toFixed(2)}%`;
	const left = $derived(band?.low == null ? 0 : scale.percent(band.low));
	const right = $derived(band?.high == null ? 100 : scale.percent(band.high));
	const last = $derived(after.at(-1) ?? before);
</script>

<svg width="100%" height="22" role="img" aria-label={words} class:warn>
	{#if band}<rect x="{left}%" width="{Math.max(0, right - left)}%" y="2" height="18" class="slot" />{/if}
	<line x1="0" x2="100%" y1="11" y2="11" class="axis" />
	<line x1={x(before)} x2={x(last)} y1="11" y2="11" class="way" />
	{#each after.slice(0, -1) as level, i (i)}<circle cx={x(level)} cy="11" r="2.5" class="step" />{/each}
	<circle cx={x(before)} cy="11" r="5" class="before" />
	<circle cx={x(last)} cy="11" r="5.5" class="after" />
</svg>

<style>
	svg {
		display: block;
		min-width: 8rem;
		overflow: visible;
	}
	.slot {
		fill: var(--slot);
	}
	.axis {
		stroke: var(--line);
	}
	.way {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.before {
		fill: var(--surface);
		stroke: var(--ink);
		stroke-width: 1.75;
	}
	.after,
	.step {
		fill: var(--ink);
	}
	.warn .way {
		stroke: var(--warn);
	}
	.warn .after {
		fill: var(--warn);
	}
</style>
