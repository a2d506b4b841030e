<script lang="ts">
	import { roundTo } from '$lib/core/numeric';
	import { fixed } from '$lib/format/number';

	interface Props {
		from: number;
		to: number;
		graduation: number;
		decimals: number;
		/** Where the line stands, or the middle between two marks; null until it was set. */
		value: number | null;
		/** True: it stands between two marks. */
		between: boolean;
		/** Which side is dark: liquid below the line, or the lit half of a glass. */
		look: 'glass' | 'float' | 'thermometer';
		label: string;
		words: string;
		onset: (value: number) => void;
	}
	let { from, to, graduation, decimals, value, between, look, label, words, onset }: Props = $props();

	const DIVISION_PX = 19;
	const HEIGHT = 380;
	const X = 120;
	const shown = $derived(value ?? (from + to) / 2);
	/** The middle of the window; it stands still while the line is dragged. */
	let held = $state<number | null>(null);
	const middle = $derived(held ?? shown);
	const pxPer = $derived(DIVISION_PX / graduation);
	/** A float sinks deeper in lighter water: its numbers grow downwards. */
	const up = $derived(look === 'float' ? 1 : -1);
	const yOf = (v: number) => HEIGHT / 2 + up * (v - middle) * pxPer;
	const yLine = $derived(yOf(shown));

	const marks = $derived.by(() => {
		const half = HEIGHT / 2 / pxPer;
		const first = Math.ceil(Math.max(from, middle - half) / graduation - 1e-6);
		const last = Math.floor(Math.min(to, middle + half) / graduation + 1e-6);
		return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
			const division = first + i;
			const v = division * graduation;
			return {
				division,
				y: yOf(v),
				length: division % 10 === 0 ? 36 : division % 5 === 0 ? 26 : 16,
				text: division % 5 === 0 ? fixed(v, decimals) : ''
			};
		});
	});

	function snap(v: number): number {
		const shift = between ? graduation / 2 : 0;
		const snapped = Math.round((v - shift) / graduation) * graduation + shift;
		return roundTo(Math.min(to - shift, Math.max(from + shift, snapped)), graduation / 2);
	}
	function at(event: PointerEvent & { currentTarget: SVGSVGElement }): number {
		const box = event.currentTarget.getBoundingClientRect();
		const y = ((event.clientY - box.top) / box.height) * HEIGHT;
		return middle + (up * (y - HEIGHT / 2)) / pxPer;
	}
	function down(event: PointerEvent & { currentTarget: SVGSVGElement }): void {
		held = middle;
		event.currentTarget.setPointerCapture(event.pointerId);
		onset(snap(at(event)));
	}
	function move(event: PointerEvent & { currentTarget: SVGSVGElement }): void {
		if (held !== null) onset(snap(at(event)));
	}
	function nudge(divisions: number): void {
		onset(snap(shown + divisions * graduation));
	}
	function key(event: KeyboardEvent): void {
		const direction = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
		if (direction === 0) return;
		event.preventDefault();
		nudge(direction * (event.shiftKey ? 10 : 1));
	}
</script>

<svelte:window
	onkeydown={(e) => {
		if (!(e.target instanceof Element && e.target.closest('input, select, textarea, [role=slider]'))) key(e);
	}}
/>

<div class="grid grid-cols-[1fr_3.5rem] gap-3">
	<svg
		viewBox="0 0 300 {HEIGHT}"
		role="slider"
		tabindex="0"
		aria-label={label}
		aria-valuemin={from}
		aria-valuemax={to}
		aria-valuenow={shown}
		aria-valuetext={words}
		onpointerdown={down}
		onpointermove={move}
		onpointerup={() => (held = null)}
		onpointercancel={() => (held = null)}
		onkeydown={key}
	>
		<rect class="field" x={X} y="0" width="110" height={HEIGHT} />
		<rect class="dark" x={X} y={yLine} width="110" height={Math.max(0, HEIGHT - yLine)} />
		{#each marks as mark (mark.division)}
			<line class="mark" x1={X} x2={X + mark.length} y1={mark.y} y2={mark.y} />
			{#if mark.text}<text class="figures" x={X - 10} y={mark.y + 6}>{mark.text}</text>{/if}
		{/each}
		<line class="line" class:unset={value === null} x1={X - 6} x2={X + 130} y1={yLine} y2={yLine} />
		<path class="handle" class:unset={value === null} d="M{X + 132} {yLine} l16 -11 h26 v22 h-26 z" />
		<rect class="frame" x={X} y="1" width="110" height={HEIGHT - 2} />
	</svg>
	<div class="flex flex-col justify-center gap-4">
		<button type="button" class="nudge" aria-label="One division up the scale" onclick={() => nudge(1)}
			>+</button
		>
		<button type="button" class="nudge" aria-label="One division down the scale" onclick={() => nudge(-1)}
			>−</button
		>
	</div>
</div>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 46vh;
		touch-action: none;
		cursor: ns-resize;
		user-select: none;
	}
	.field {
		fill: var(--surface);
	}
	.dark {
		fill: var(--slot);
	}
	.frame {
		fill: none;
		stroke: var(--line-strong);
		stroke-width: 2;
	}
	.mark {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	text {
		fill: var(--ink);
		font-size: 18px;
		text-anchor: end;
	}
	.line {
		stroke: var(--ink);
		stroke-width: 3;
	}
	.handle {
		fill: var(--ink);
	}
	.unset {
		opacity: 0.35;
	}
	.nudge {
		min-height: 4.5rem;
		border: 2px solid var(--line-strong);
		border-radius: 4px;
		font-size: 1.6rem;
		font-weight: 600;
	}
</style>
