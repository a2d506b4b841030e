<script lang="ts">
	import type { ColourStep, StepStatement } from '$lib/core/method';
	import { plain } from '$lib/format/number';
	import { nudged, placeOf, statementAt } from './ladder';

	interface Props {
		steps: readonly ColourStep[];
		unit: string;
		/** Where the mark sits; null until it was set. */
		at: StepStatement | null;
		/** The rung to compare with now, while searching by halving. */
		asked: number | null;
		/** Says where the mark is, for those who do not see it. */
		words: string;
		onset: (at: StepStatement) => void;
	}
	let { steps, unit, at, asked, words, onset }: Props = $props();

	const ROW = 46;
	const TOP = 44;
	const rungs = $derived(steps.length);
	const hasBelow = $derived(steps[0]!.value > 0);
	const height = $derived(2 * TOP + (rungs - 1) * ROW);
	/** Highest value on top, as a ladder is climbed. */
	const yOf = (place: number) => TOP + (rungs - 1 - place) * ROW;
	const place = $derived(at ? placeOf(at, rungs) : null);
	const yMark = $derived(
		place === null ? null : place < 0 ? yOf(-0.62) : place > rungs - 1 ? yOf(rungs - 1 + 0.62) : yOf(place)
	);

	function press(event: PointerEvent & { currentTarget: SVGSVGElement }): void {
		if (event.type === 'pointermove' && event.buttons === 0) return;
		const box = event.currentTarget.getBoundingClientRect();
		const y = ((event.clientY - box.top) / box.height) * height;
		const raw = rungs - 1 - (y - TOP) / ROW;
		onset(
			statementAt(
				raw > rungs - 1 + 0.4 ? rungs : raw < -0.4 ? -1 : Math.min(rungs - 1, Math.max(0, raw)),
				rungs,
				hasBelow
			)
		);
	}
	function key(event: KeyboardEvent): void {
		if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
		event.preventDefault();
		onset(nudged(at, event.key === 'ArrowUp' ? 1 : -1, rungs, hasBelow));
	}
</script>

<svelte:window
	onkeydown={(e) => {
		if (!(e.target instanceof Element && e.target.closest('input, select, textarea, [role=slider]'))) key(e);
	}}
/>

<div class="grid grid-cols-[1fr_3.5rem] gap-3">
	<svg
		viewBox="0 0 300 {height}"
		role="slider"
		tabindex="0"
		aria-label="Place among the colour steps"
		aria-valuemin={-1}
		aria-valuemax={rungs}
		aria-valuenow={place ?? -1}
		aria-valuetext={words}
		onpointerdown={press}
		onpointermove={press}
		onkeydown={key}
	>
		<line class="rail" x1="122" x2="122" y1={yOf(rungs - 1) - 30} y2={yOf(0) + 30} />
		{#each steps as { value, colour }, i (value)}
			<rect
				x="132"
				y={yOf(i) - 17}
				width="92"
				height="34"
				rx="2"
				fill={colour.css}
				class="rung"
				class:asked={asked === i}
			/>
			<line class="tick" x1="116" x2="128" y1={yOf(i)} y2={yOf(i)} />
			<text class="figures value" x="106" y={yOf(i) + 6}>{plain(value)}</text>
			<text class="name" x="234" y={yOf(i) + 5}>{colour.name.split(' ').slice(-1)[0]}</text>
		{/each}
		<text class="end" x="132" y={yOf(rungs - 1) - 26}>darker than all</text>
		{#if hasBelow}<text class="end" x="132" y={yOf(0) + 36}>beyond the lowest</text>{/if}
		{#if yMark !== null}
			<g transform="translate(0 {yMark})">
				<path class="mark" d="M8 -11 h26 l16 11 l-16 11 h-26z" />
				<line class="mark-line" x1="118" x2="230" y1="0" y2="0" />
			</g>
		{/if}
	</svg>
	<div class="flex flex-col justify-center gap-4">
		<button
			type="button"
			class="nudge"
			aria-label="Darker by a quarter step"
			onclick={() => onset(nudged(at, 1, rungs, hasBelow))}>▲</button
		>
		<button
			type="button"
			class="nudge"
			aria-label="Paler by a quarter step"
			onclick={() => onset(nudged(at, -1, rungs, hasBelow))}>▼</button
		>
	</div>
</div>
<p class="small text-muted">{unit}. Only to find the place: the printed step in your hand decides.</p>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 60vh;
		touch-action: none;
		cursor: pointer;
		user-select: none;
	}
	.rail {
		stroke: var(--line-strong);
		stroke-width: 2;
	}
	.tick {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.rung {
		stroke: var(--line-strong);
		stroke-width: 1;
	}
	.rung.asked {
		stroke: var(--accent);
		stroke-width: 4;
	}
	.value {
		fill: var(--ink);
		font-size: 18px;
		font-weight: 600;
		text-anchor: end;
	}
	.name,
	.end {
		fill: var(--muted);
		font-size: 14px;
	}
	.mark {
		fill: var(--ink);
	}
	.mark-line {
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	.nudge {
		min-height: 4.5rem;
		border: 2px solid var(--line-strong);
		border-radius: 4px;
		font-size: 1.25rem;
	}
</style>
