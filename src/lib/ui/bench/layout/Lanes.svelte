<script lang="ts">
	import type { Instant } from '$lib/core/time';
	import { clockTime } from '$lib/format/date';
	import { tickMinutes, type Lane } from './lanes';

	interface Props {
		lanes: readonly Lane[];
		now: number;
		/** Null while laying out: the axis then counts minutes from the first step. */
		startedAt: number | null;
		timeZone: string;
		/** The run at hand. */
		at: string | null;
		/** The step that was chosen, to be pinned. */
		chosen: string | null;
		onchoose: (runId: string, step: string) => void;
		/** A step was dragged to another time, milliseconds. */
		onmove: (step: string, at: number) => void;
	}
	let { lanes, now, startedAt, timeZone, at, chosen, onchoose, onmove }: Props = $props();

	let width = $state(720);
	const narrow = $derived(width < 560);
	const LEFT = $derived(narrow ? 46 : 128);
	const RIGHT = 14;
	const ROW = $derived(narrow ? 30 : 36);
	const BAR = $derived(narrow ? 18 : 22);
	const HEAD = 26;
	/** A label needs about so much room for each letter. */
	const LETTER = 6.4;

	const from = $derived(Math.min(startedAt ?? now, ...lanes.flatMap((l) => l.segments.map((s) => s.from))));
	const to = $derived(Math.max(from + 60_000, now, ...lanes.flatMap((l) => l.segments.map((s) => s.to))));
	const x = $derived((t: number) => LEFT + ((t - from) / (to - from)) * (width - LEFT - RIGHT));
	const severalWaters = $derived(new Set(lanes.map((l) => l.water)).size > 1);
	const ticks = $derived.by(() => {
		const step = 60_000 * tickMinutes(to - from, narrow ? 4 : 8);
		const first = startedAt === null ? from : Math.ceil(from / step) * step;
		return Array.from({ length: Math.floor((to - first) / step) + 1 }, (_, i) => first + i * step);
	});
	const tickText = (t: number) =>
		startedAt === null ? `${Math.round((t - from) / 60_000)} min` : clockTime(t as Instant, timeZone);
	const height = $derived(HEAD + lanes.length * ROW + 4);

	let drag = $state<{ step: string; startX: number; dx: number; from: number } | null>(null);
	function down(event: PointerEvent, runId: string, step: string, start: number): void {
		onchoose(runId, step);
		drag = { step, startX: event.clientX, dx: 0, from: start };
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
	}
	function move(event: PointerEvent): void {
		if (drag) drag = { ...drag, dx: event.clientX - drag.startX };
	}
	function up(): void {
		if (drag && Math.abs(drag.dx) > 5) {
			onmove(drag.step, drag.from + (drag.dx / (width - LEFT - RIGHT)) * (to - from));
		}
		drag = null;
	}
</script>

<div class="w-full" bind:clientWidth={width}>
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="img"
		aria-label="The plan: {lanes.map((l) => l.name).join(', ')}, side by side in time"
		class="figures block touch-pan-y select-none"
	>
		{#each ticks as tick (tick)}
			<line x1={x(tick)} x2={x(tick)} y1={HEAD - 6} y2={height} class="grid" />
			<text
				x={x(tick)}
				y={HEAD - 12}
				text-anchor={tick === from ? 'start' : x(tick) > width - 40 ? 'end' : 'middle'}
				class="tick">{tickText(tick)}</text
			>
		{/each}
		{#each lanes as lane, row (lane.runId)}
			{@const y = HEAD + row * ROW}
			<text
				x={0}
				y={y + ROW / 2 + (severalWaters && !narrow ? -1 : 5)}
				class="name {lane.over ? 'over' : ''} {lane.runId === at ? 'at' : ''}"
				>{narrow ? lane.symbol : lane.name}</text
			>
			{#if severalWaters && !narrow}
				<text x={0} y={y + ROW / 2 + 13} class="water">{lane.water}</text>
			{/if}
			{#each lane.segments as segment, i (`${segment.step}-${i}`)}
				{@const moved = drag?.step === segment.step && segment.kind === 'hands' ? drag.dx : 0}
				{@const w = Math.max(2, x(segment.to) - x(segment.from) - 1)}
				<!-- The same is done by the fields under the plan, for those who do not drag. -->
				<g
					role="presentation"
					transform="translate({x(segment.from) + moved}, {y + (ROW - BAR) / 2})"
					class={segment.kind === 'hands' ? 'hand' : ''}
					onpointerdown={segment.kind === 'hands'
						? (e) => down(e, lane.runId, segment.step, segment.from)
						: undefined}
					onpointermove={move}
					onpointerup={up}
					onpointercancel={() => (drag = null)}
				>
					<title>{segment.say}</title>
					<rect
						width={w}
						height={BAR}
						class="{segment.kind} {segment.step === chosen && segment.kind === 'hands' ? 'chosen' : ''}"
					/>
					{#if segment.pinned && segment.kind === 'hands'}
						<circle cx={w / 2} cy={-3} r="3" class="pin" />
					{/if}
					{#if segment.kind === 'wait' && w > segment.label.length * LETTER + 8}
						<text x={w - 6} y={BAR / 2 + 4} text-anchor="end" class="wait-label">{segment.label}</text>
					{/if}
				</g>
			{/each}
		{/each}
		{#if startedAt !== null}
			<line x1={x(now)} x2={x(now)} y1={HEAD - 8} y2={height} class="now" />
			<text x={Math.min(x(now) + 5, width - 26)} y={HEAD - 12} class="now-text">now</text>
		{/if}
	</svg>
</div>

<style>
	.grid {
		stroke: var(--line);
	}
	.tick,
	.water,
	.wait-label {
		fill: var(--muted);
		font-size: 12px;
	}
	.wait-label {
		pointer-events: none;
	}
	.name {
		fill: var(--ink);
		font-size: 14px;
		font-weight: 600;
	}
	.over {
		fill: var(--muted);
		font-weight: 400;
	}
	.at {
		text-decoration: underline;
		text-underline-offset: 4px;
	}
	.done {
		fill: var(--line-strong);
		opacity: 0.55;
	}
	.hands {
		fill: var(--ink);
	}
	.hand {
		cursor: grab;
	}
	.wait {
		fill: var(--surface);
		stroke: var(--ink);
		stroke-width: 1.25;
	}
	.chosen {
		stroke: var(--accent);
		stroke-width: 3;
	}
	.pin {
		fill: var(--accent);
	}
	.now {
		stroke: var(--accent);
		stroke-width: 2;
	}
	.now-text {
		fill: var(--accent);
		font-size: 12px;
		font-weight: 600;
	}
</style>
