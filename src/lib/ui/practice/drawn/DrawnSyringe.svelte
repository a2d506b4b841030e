<script lang="ts">
	import type { ScaleExercise } from '$lib/core/practice';
	import { fixed } from '$lib/format/number';

	interface Props {
		exercise: ScaleExercise;
	}
	let { exercise }: Props = $props();

	const WIDTH = 620;
	const HEIGHT = 190;
	/** The scale lies along the barrel: 0 at the tip. */
	const LEFT = 70;
	const LONG = 480;
	const TOP = 62;
	const BARREL = 66;
	const left = $derived(exercise.asked === 'left' ? exercise.truth : exercise.to - exercise.truth);
	const x = $derived((ml: number) => LEFT + (ml / exercise.to) * LONG);
	const marks = $derived(
		Array.from({ length: Math.round(exercise.to / exercise.graduation) + 1 }, (_, i) => ({
			at: i * exercise.graduation,
			long: i % exercise.numberedEvery === 0,
			middle: i % 5 === 0
		}))
	);
	/** The seal has two edges: the one towards the tip is read. */
	const SEAL = 0.05;
</script>

<!-- Tip up, it is turned round: numerals and all, as in the hand. -->
<svg
	viewBox="0 0 {WIDTH} {HEIGHT}"
	class="w-full"
	role="img"
	aria-label="A syringe of 1 mL, its tip {exercise.tip === 'up' ? 'up: numerals upside down' : 'down'}"
>
	<g transform={exercise.tip === 'up' ? `rotate(180 ${WIDTH / 2} ${HEIGHT / 2})` : undefined}>
		<rect
			x={LEFT - 4}
			y={TOP}
			width={LONG + 60}
			height={BARREL}
			class="fill-[var(--barrel)] stroke-line-strong"
			stroke-width="2"
		/>
		<path
			d="M{LEFT - 4} {TOP + 22} L{LEFT - 46} {TOP + 28} L{LEFT - 46} {TOP + BARREL - 28} L{LEFT - 4} {TOP +
				BARREL -
				22} Z"
			class="fill-slot stroke-line-strong"
		/>
		<!-- Liquid from the tip, air between it and the plunger. -->
		<rect
			x={LEFT - 2}
			y={TOP + 2}
			width={Math.max(0, x(left - exercise.air) - LEFT + 2)}
			height={BARREL - 4}
			class="fill-[var(--liquid)]"
		/>
		<rect
			x={x(left)}
			y={TOP + 3}
			width={(SEAL / exercise.to) * LONG}
			height={BARREL - 6}
			class="fill-[var(--seal)]"
		/>
		<rect
			x={x(left + SEAL)}
			y={TOP + 22}
			width={LONG + 96 - x(left + SEAL) + LEFT}
			height={BARREL - 44}
			class="fill-[var(--rod)]"
		/>
		{#each marks as { at, long, middle } (at)}
			<line
				x1={x(at)}
				x2={x(at)}
				y1={TOP}
				y2={TOP + (long ? 26 : middle ? 19 : 12)}
				class="stroke-ink"
				stroke-width={long ? 1.8 : 1}
			/>
			{#if long}<text
					x={x(at)}
					y={TOP - 8}
					text-anchor="middle"
					class="figures fill-ink text-[15px] font-semibold">{fixed(at, 1)}</text
				>{/if}
		{/each}
	</g>
</svg>
