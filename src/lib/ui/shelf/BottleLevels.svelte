<script lang="ts">
	import type { BottleState } from '$lib/contract/shelf-view';
	import { amountWords, DROPPER_NAMES } from '$lib/format/shelf/shelf';

	/** One bottle beside the other, filled as high as they are; the one that ends first stands out. */
	let { bottles, endsFirst }: { bottles: readonly BottleState[]; endsFirst: string | null } = $props();

	const WIDTH = 46;
	const HEIGHT = 58;
	const level = (b: BottleState) => Math.min(1, b.full > 0 ? b.left / b.full : 0);
	const words = $derived(
		bottles
			.map(
				(b) =>
					`${b.reagent}: ${amountWords(b.left, b.unit)} of ${amountWords(b.full, b.unit)} left${b.dropper && b.dropper.state !== 'even' ? `, ${DROPPER_NAMES[b.dropper.state]}` : ''}`
			)
			.join('; ')
	);
</script>

{#if bottles.length > 0}
	<svg
		width={bottles.length * WIDTH}
		height={HEIGHT + 18}
		viewBox="0 0 {bottles.length * WIDTH} {HEIGHT + 18}"
		role="img"
		aria-label={words}
	>
		{#each bottles as bottle, i (bottle.reagent)}
			{@const filled = level(bottle) * 38}
			<g transform="translate({i * WIDTH + 6} 0)">
				<rect x="11" y="2" width="10" height="9" fill="none" stroke="var(--line-strong)" stroke-width="1.5" />
				<rect
					x="1"
					y="11"
					width="30"
					height="44"
					rx="3"
					fill="var(--barrel)"
					stroke="var(--ink)"
					stroke-width="1.5"
				/>
				<rect
					x="4"
					y={52 - filled}
					width="24"
					height={filled}
					fill={bottle.reagent === endsFirst && level(bottle) < 0.25 ? 'var(--warn)' : 'var(--lens)'}
				/>
				{#if bottle.dropper && bottle.dropper.state !== 'even'}
					<path d="M16 {14} l-4 7 a4.5 4.5 0 1 0 8 0 z" fill="none" stroke="var(--warn)" stroke-width="1.5" />
				{/if}
				<text
					x="16"
					y={HEIGHT + 13}
					text-anchor="middle"
					font-size="13"
					font-weight={bottle.reagent === endsFirst ? 700 : 400}
					fill="var(--ink)">{bottle.reagent}</text
				>
			</g>
		{/each}
	</svg>
{/if}
