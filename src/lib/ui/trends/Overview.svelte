<script lang="ts">
	import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { dayTicks } from '$lib/format/trends/ticks';
	import { AXIS_PX, timeScale } from './chart/ink';
	import type { StackState } from './StackState.svelte';

	interface Props {
		stack: StackState;
		from: Instant;
		to: Instant;
		/** How often was read in each of as many equal parts of the whole time. */
		density: readonly number[];
		timeZone: string;
		now: Instant;
	}
	let { stack, from, to, density, timeZone, now }: Props = $props();

	const HEIGHT_PX = 52;
	const BARS_PX = 30;
	/** How near a hand must be to an end of the window to take that and not the whole. */
	const END_PX = 16;
	const YEAR_PX = 44;

	let width = $state(0);
	const scale = $derived(timeScale(from, to, width));
	const most = $derived(Math.max(1, ...density));
	const bars = $derived(
		density.flatMap((count, i) => {
			if (count === 0) return [];
			const [a, b] = [i, i + 1].map((k) => scale.x(from + (k / density.length) * (to - from)));
			const height = Math.max(2, (count / most) * (BARS_PX - 4));
			return [{ x: a!, width: Math.max(1, b! - a! - 0.5), y: BARS_PX - height, height }];
		})
	);
	const dates = $derived.by(() => {
		let before = -Infinity;
		return dayTicks(from, to, timeZone).flatMap(({ at, text }) => {
			const x = scale.x(at);
			if (x - before < YEAR_PX) return [];
			before = x;
			return [{ x, text }];
		});
	});
	const left = $derived(Math.max(AXIS_PX.left, scale.x(stack.from)));
	const right = $derived(Math.min(width - AXIS_PX.right, scale.x(stack.to)));
	const said = $derived(`${shortDay(stack.from, timeZone, now)} to ${shortDay(stack.to, timeZone, now)}`);

	type Grip = 'from' | 'to' | 'whole';
	let grip: Grip | null = null;
	let heldAt = 0;
	let box: SVGSVGElement | undefined = $state();
	const timeOf = (event: { clientX: number }) =>
		instant(Math.round(scale.at(event.clientX - box!.getBoundingClientRect().left)));

	function down(event: PointerEvent): void {
		if (event.button !== 0) return;
		const x = event.clientX - box!.getBoundingClientRect().left;
		const [toLeft, toRight] = [Math.abs(x - left), Math.abs(x - right)];
		if (Math.min(toLeft, toRight) <= END_PX) grip = toLeft < toRight ? 'from' : 'to';
		else {
			// Beside the window a press brings its middle there.
			if (x < left || x > right) stack.pan(daysBetween(instant((stack.from + stack.to) / 2), timeOf(event)));
			grip = 'whole';
		}
		heldAt = timeOf(event);
		box!.setPointerCapture(event.pointerId);
	}
	function move(event: PointerEvent): void {
		if (!grip) return;
		const at = timeOf(event);
		if (grip === 'whole') {
			stack.pan(daysBetween(instant(heldAt), at));
			heldAt = at;
		} else if (grip === 'from') stack.set(at < stack.to ? at : addDays(stack.to, -1), stack.to);
		else stack.set(stack.from, at > stack.from ? at : addDays(stack.from, 1));
	}
	const STEP = { ArrowLeft: -1, ArrowRight: 1, ArrowDown: -1, ArrowUp: 1, PageDown: -5, PageUp: 5 } as const;
	function key(event: KeyboardEvent, which: Grip): void {
		if (!(event.key in STEP)) return;
		event.preventDefault();
		event.stopPropagation();
		const days = (STEP[event.key as keyof typeof STEP] * daysBetween(stack.from, stack.to)) / 10;
		if (which === 'whole') stack.pan(days);
		else if (which === 'from') stack.set(addDays(stack.from, days), stack.to);
		else stack.set(stack.from, addDays(stack.to, days));
	}
	function wheel(event: WheelEvent): void {
		event.preventDefault();
		if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
			stack.pan((event.deltaX / 900) * daysBetween(stack.from, stack.to));
		} else stack.zoom(1.0015 ** event.deltaY, timeOf(event));
	}
	function passive(node: SVGSVGElement) {
		node.addEventListener('wheel', wheel, { passive: false });
		return () => node.removeEventListener('wheel', wheel);
	}
	const GRIPS = [
		{ which: 'whole', name: 'What is shown of all time' },
		{ which: 'from', name: 'Where it begins' },
		{ which: 'to', name: 'Where it ends' }
	] as const;
</script>

<div class="overview" bind:clientWidth={width}>
	{#if width > 0}
		<svg
			bind:this={box}
			{width}
			height={HEIGHT_PX}
			role="group"
			aria-label="All that was ever read, and what of it is shown"
			{@attach passive}
			onpointerdown={down}
			onpointermove={move}
			onpointerup={() => (grip = null)}
			onpointercancel={() => (grip = null)}
		>
			<line x1={AXIS_PX.left} x2={width - AXIS_PX.right} y1={BARS_PX} y2={BARS_PX} class="ground" />
			{#each bars as bar (bar.x)}
				<rect x={bar.x} y={bar.y} width={bar.width} height={bar.height} class="bar" />
			{/each}
			{#each dates as date (date.x)}
				<line x1={date.x} x2={date.x} y1={BARS_PX} y2={BARS_PX + 5} class="ground" />
				<text x={date.x + 3} y={HEIGHT_PX - 5}>{date.text}</text>
			{/each}
			{#each GRIPS as { which, name } (which)}
				{@const at = which === 'from' ? left : which === 'to' ? right : (left + right) / 2}
				<g
					role="slider"
					tabindex="0"
					aria-label={name}
					aria-valuemin="0"
					aria-valuemax={Math.round(daysBetween(from, to))}
					aria-valuenow={Math.round(daysBetween(from, which === 'to' ? stack.to : stack.from))}
					aria-valuetext={which === 'whole'
						? said
						: shortDay(which === 'from' ? stack.from : stack.to, timeZone, now)}
					class={which}
					onkeydown={(e) => key(e, which)}
				>
					{#if which === 'whole'}
						<rect x={left} y="0" width={Math.max(2, right - left)} height={BARS_PX} class="window" />
					{:else}
						<rect x={at - END_PX} y="0" width={2 * END_PX} height={BARS_PX} class="reach" />
						<rect x={at - 4} y="3" width="8" height={BARS_PX - 6} rx="2" class="end" />
					{/if}
				</g>
			{/each}
		</svg>
	{/if}
</div>

<style>
	.overview {
		min-height: 52px;
	}
	svg {
		display: block;
		touch-action: none;
		overflow: visible;
	}
	text {
		font-size: 13px;
		fill: var(--muted);
		pointer-events: none;
	}
	.ground {
		stroke: var(--line-strong);
	}
	.bar {
		fill: var(--line-strong);
	}
	.window {
		fill: var(--ink);
		fill-opacity: 0.1;
		stroke: var(--ink);
	}
	.reach {
		fill: transparent;
	}
	.end {
		fill: var(--ink);
	}
	.whole {
		cursor: grab;
	}
	.from,
	.to {
		cursor: ew-resize;
	}
	g {
		outline: none;
	}
	g:focus-visible .window,
	g:focus-visible .end {
		stroke: var(--accent);
		stroke-width: 3;
	}
</style>
