<script lang="ts">
	import { instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { dayTicks } from '$lib/format/trends/ticks';
	import { AXIS_PX, timeScale } from './chart/ink';
	import { placeMarks, type PlacedMark, type TimeMark } from './marks';
	import type { StackState } from './StackState.svelte';

	interface Props {
		stack: StackState;
		marks: readonly TimeMark[];
		timeZone: string;
		now: Instant;
	}
	let { stack, marks, timeZone, now }: Props = $props();

	const HEIGHT_PX = 66;
	/** What was out of the ordinary stands above what is usual. */
	const NOTABLE_Y = 11;
	const USUAL_Y = 31;
	const DATE_Y = 60;
	const TICK_Y = 47;
	/** A date of the axis with the room around it. */
	const DATE_PX = 52;

	let width = $state(0);
	const scale = $derived(timeScale(stack.from, stack.to, width));
	const x = (at: number) => scale.x(at);
	const edges = $derived([AXIS_PX.left, Math.max(AXIS_PX.left, width - AXIS_PX.right)] as const);
	const placed = $derived(placeMarks(marks, x, edges));
	const dates = $derived.by(() => {
		const today = scale.x(now);
		const shown: { x: number; text: string }[] = [];
		for (const { at, text } of dayTicks(stack.from, stack.to, timeZone)) {
			const place = scale.x(at);
			const before = shown.at(-1)?.x ?? -Infinity;
			if (place - before < DATE_PX || Math.abs(place - today) < DATE_PX || place > edges[1] - 12) continue;
			shown.push({ x: place, text });
		}
		return shown;
	});

	let opened = $state.raw<PlacedMark | null>(null);
	let held = $state(false);
	/** What a group says once it is looked at; where it stood is where it stands. */
	function open(mark: PlacedMark | null, keep = false): void {
		opened = mark;
		held = keep && mark !== null;
		stack.pointed = mark?.marks[0]?.at ?? null;
	}
	/** Moved since: what was looked at stands elsewhere. */
	const shown = $derived(opened && placed.find((p) => p.marks[0] === opened!.marks[0]));
	const when = (at: Instant) => shortDay(instant(at), timeZone, now);
	/** Begins with what is to be seen of it. */
	const said = (p: PlacedMark) =>
		`${p.label || (p.marks.length > 1 ? p.marks.length : '')} ${p.marks.map((m) => `${when(m.at)}: ${m.words}`).join('; ')}`.trim();
</script>

<svelte:document
	onpointerdown={(e) => {
		if (opened && e.target instanceof Element && !e.target.closest('.timehead')) open(null);
	}}
/>

<div class="timehead relative" bind:clientWidth={width}>
	{#if width > 0}
		<svg {width} height={HEIGHT_PX} role="group" aria-label="Days, and what happened on them">
			{#each dates as date (date.x)}
				<line x1={date.x} x2={date.x} y1={TICK_Y} y2={HEIGHT_PX} class="tick" />
				<text x={date.x + 4} y={DATE_Y} class="date">{date.text}</text>
			{/each}
			{#if x(now) >= edges[0] && x(now) <= edges[1]}
				<line x1={x(now)} x2={x(now)} y1={TICK_Y} y2={HEIGHT_PX} class="now" />
				<text x={x(now) + 4} y={DATE_Y} class="today">today</text>
			{/if}
			{#each placed as mark (mark.marks[0])}
				{@const y = mark.isNotable ? NOTABLE_Y : USUAL_Y}
				<g
					role="button"
					tabindex="0"
					aria-label={said(mark)}
					class="mark"
					class:on={shown === mark}
					onpointerenter={(e) => e.pointerType === 'mouse' && !held && open(mark)}
					onpointerleave={(e) => e.pointerType === 'mouse' && !held && open(null)}
					onfocus={() => open(mark, held)}
					onblur={() => open(null)}
					onclick={() => open(held && shown === mark ? null : mark, true)}
					onkeydown={(e) => {
						if (e.key === 'Escape') open(null);
						else if (e.key === 'Enter' || e.key === ' ') open(mark, true);
						else return;
						e.preventDefault();
					}}
				>
					<rect x={mark.x - 12} y={y - 11} width="24" height="21" class="reach" />
					{#if mark.isNotable}
						<path d="M{mark.x} {y - 7}l6 7-6 7-6-7z" class="notable" />
					{:else}
						<circle cx={mark.x} cy={y} r={mark.marks.length > 1 ? 8 : 4.5} class="usual" />
					{/if}
					{#if mark.marks.length > 1 && !mark.isNotable}
						<text x={mark.x} y={y + 4} class="count">{mark.marks.length}</text>
					{/if}
					{#if mark.label}
						<text
							x={mark.x + (mark.side === 'end' ? -10 : 10)}
							y={y + 4}
							text-anchor={mark.side}
							class="words">{mark.label}</text
						>
					{/if}
				</g>
			{/each}
		</svg>
		{#if shown}
			<div
				class="said small figures"
				style:left="{Math.max(0, Math.min(shown.x - 40, width - 300))}px"
				role="status"
			>
				<ul>
					{#each shown.marks.slice(0, 7) as mark (mark)}
						<li class="py-1">
							<strong class="whitespace-nowrap">{when(mark.at)}</strong>
							{mark.words}
						</li>
					{/each}
					{#if shown.marks.length > 7}<li class="py-1 text-muted">
							and {shown.marks.length - 7} more: look closer for each
						</li>{/if}
				</ul>
			</div>
		{/if}
	{/if}
</div>

<style>
	.timehead {
		min-height: 66px;
	}
	svg {
		display: block;
		overflow: visible;
	}
	text {
		font-size: 13px;
		fill: var(--muted);
		pointer-events: none;
	}
	.tick {
		stroke: var(--line);
	}
	.now {
		stroke: var(--accent);
		stroke-width: 1.5;
	}
	.today {
		fill: var(--accent);
		font-weight: 650;
	}
	.mark {
		cursor: pointer;
		outline: none;
	}
	.reach {
		fill: transparent;
	}
	.mark:focus-visible .reach {
		stroke: var(--accent);
		stroke-width: 2.5;
	}
	.notable {
		fill: var(--ink);
	}
	.usual {
		fill: var(--surface);
		stroke: var(--muted);
		stroke-width: 1.5;
	}
	.on .usual {
		fill: var(--ink);
		stroke: var(--ink);
	}
	.count {
		font-size: 11px;
		font-weight: 600;
		text-anchor: middle;
	}
	.on .count {
		fill: var(--surface);
	}
	.words {
		fill: var(--ink);
		font-weight: 600;
		/* Stands on whatever line it crosses. */
		paint-order: stroke;
		stroke: var(--surface);
		stroke-width: 4px;
	}
	.said {
		position: absolute;
		z-index: 30;
		top: 46px;
		width: 300px;
		max-width: 100%;
		padding: 0.3rem 0.8rem;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: var(--surface);
		box-shadow: 0 2px 10px rgb(0 0 0 / 0.15);
	}
	.said li + li {
		border-top: 1px solid var(--line);
	}
</style>
