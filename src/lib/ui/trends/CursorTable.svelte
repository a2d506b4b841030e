<script lang="ts">
	import CloseOutline from 'flowbite-svelte-icons/CloseOutline.svelte';
	import { PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { estimateShown, readingShown, readingWhen } from '$lib/format/trends/trend';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { Series } from './chart/series';
	import type { StackState } from './StackState.svelte';
	import { underCursor } from './under-cursor';

	interface Props {
		stack: StackState;
		all: readonly Series[];
		timeZone: string;
		now: Instant;
	}
	let { stack, all, timeZone, now }: Props = $props();

	const rows = $derived.by(() => {
		const at = stack.cursor;
		if (at === null) return [];
		return all.map((series) => ({ series, under: underCursor(series, at, stack.to - stack.from) }));
	});
	/** Everything under the cursor in one paragraph, for those who do not see the picture. */
	const words = $derived(
		stack.cursor === null
			? ''
			: `${readingWhen(stack.cursor, timeZone, now)}. ${rows
					.map(({ series: { parameter, unit }, under }) => {
						const read = under.reading ? `, read ${readingShown(under.reading, unit)}` : '';
						return `${PARAMETERS[parameter].name} ${estimateShown(under)}${read}`;
					})
					.join('. ')}.`
	);
</script>

{#if stack.cursor !== null}
	<div class="table figures">
		<p class="flex items-baseline justify-between gap-2 font-semibold">
			<span aria-hidden="true">{readingWhen(stack.cursor, timeZone, now)}</span>
			<span class="md:hidden"
				><Button
					kind="bare"
					class="-my-2 -mr-2 flex size-10 items-center justify-center"
					aria-label="Put the cursor away"
					onclick={() => stack.point(null)}><CloseOutline class="size-5" /></Button
				></span
			>
		</p>
		<ul aria-hidden="true">
			{#each rows as { series, under } (series.parameter)}
				<li>
					<span class="name">{PARAMETERS[series.parameter].name}</span>
					<span class="estimate">{estimateShown(under, true)}</span>
					{#if under.reading}
						<span class="read">read {readingShown(under.reading, series.unit, true)}</span>
					{/if}
				</li>
			{/each}
		</ul>
	</div>
{/if}
<p class="visually-hidden" aria-live="polite">{words}</p>

<style>
	.table {
		position: fixed;
		z-index: 25;
		bottom: 0;
		left: 0;
		right: 0;
		max-height: 45dvh;
		overflow-y: auto;
		padding: 0.5rem 1rem;
		border-top: 1px solid var(--line-strong);
		background: var(--surface);
		box-shadow: 0 -2px 10px rgb(0 0 0 / 0.12);
		font-size: 14px;
		line-height: 1.3;
	}
	ul {
		display: grid;
		grid-template-columns: 1fr 1fr;
		column-gap: 1rem;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		column-gap: 0.5rem;
		border-top: 1px solid var(--line);
		padding: 0.2rem 0;
	}
	.name {
		flex: 1 0 auto;
	}
	.estimate {
		font-weight: 650;
		white-space: nowrap;
	}
	.read {
		flex-basis: 100%;
		color: var(--muted);
		text-align: right;
	}
	@media (min-width: 48rem) {
		.table {
			top: 8.5rem;
			bottom: auto;
			left: auto;
			/* Beside the charts, over what stands there of today. */
			right: max(2rem, calc((100vw - 80rem) / 2 + 2rem));
			width: 15.5rem;
			max-height: calc(100dvh - 10rem);
			border: 1px solid var(--line-strong);
			border-radius: 4px;
			pointer-events: none;
		}
		ul {
			grid-template-columns: 1fr;
		}
	}
</style>
