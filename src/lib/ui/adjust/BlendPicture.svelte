<script lang="ts">
	import { plain } from '$lib/format/number';
	import { litresWords } from '$lib/format/volume';

	interface Props {
		firstL: number;
		secondL: number;
		/** dKH of tap and purified water, and of what they make. */
		firstKh: number;
		secondKh: number;
		kh: number;
	}
	let { firstL, secondL, firstKh, secondKh, kh }: Props = $props();

	const share = $derived((100 * firstL) / (firstL + secondL));
	const most = $derived(Math.max(firstKh, secondKh, kh) * 1.1 || 1);
	const at = (value: number) => `${((100 * value) / most).toFixed(2)}%`;
</script>

<!-- Said in words below it. -->
<svg width="100%" height="104" aria-hidden="true" class="figures">
	<rect x="0" y="0" width="{share}%" height="38" class="tap" />
	<rect x="{share}%" y="0" width="{100 - share}%" height="38" class="pure" />
	{#if share > 14}<text x="10" y="24" class="on">tap {litresWords(Number(firstL.toFixed(1)))}</text>{/if}
	{#if share < 80}<text x="99%" y="24" text-anchor="end"
			>purified {litresWords(Number(secondL.toFixed(1)))}</text
		>{/if}
	<line x1="0" x2="100%" y1="70" y2="70" class="axis" />
	<circle cx={at(firstKh)} cy="70" r="6" class="dot tap" />
	<text x={at(firstKh)} y="96" text-anchor="middle">tap {plain(firstKh)}</text>
	<circle cx={at(kh)} cy="70" r="7" class="made" />
	<text x={at(kh)} y="58" text-anchor={kh / most < 0.1 ? 'start' : 'middle'} class="strong"
		>{plain(kh)} dKH</text
	>
	<circle cx={at(secondKh)} cy="70" r="6" class="dot pure" />
	<text x={at(secondKh)} y="96" text-anchor={secondKh / most < 0.1 ? 'start' : 'middle'}
		>purified {plain(secondKh)}</text
	>
</svg>

<style>
	svg {
		display: block;
		overflow: visible;
		margin-block: 0.75rem;
	}
	text {
		font-size: 14px;
		fill: var(--ink);
	}
	.on {
		fill: var(--surface);
		font-weight: 600;
	}
	.strong {
		font-weight: 650;
	}
	.tap {
		fill: var(--ink);
	}
	.pure {
		fill: var(--surface);
		stroke: var(--line-strong);
		stroke-width: 1.5;
	}
	.axis {
		stroke: var(--line-strong);
	}
	.made {
		fill: var(--lens);
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
