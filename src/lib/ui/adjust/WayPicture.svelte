<script lang="ts">
	import type { WayAhead } from '$lib/core/judgement/plan';
	import { convert, convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { addDays, daysBetween, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { plain } from '$lib/format/number';
	import { limitInUnit } from '$lib/format/quantity';
	import { courseChart } from './course-chart';

	interface Props {
		way: WayAhead;
		/** Canonical unit. */
		present: { readonly value: number; readonly u: number };
		band: { readonly low: number | null; readonly high: number | null };
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { way, present, band, units, timeZone, now }: Props = $props();

	let width = $state(520);
	const HEIGHT = 150;
	const LEFT = 46;
	const BOTTOM = 24;
	const TOP = 22;
	const RIGHT = 8;
	const unit = $derived(units[way.parameter]);
	const canonical = $derived(PARAMETERS[way.parameter].canonicalUnit);
	const to = (x: number) => convert(x, canonical, unit);
	const span = (x: number) => convertSpan(x, canonical, unit);
	const today = $derived(daysBetween(way.startsAt, now));
	const shown = (value: number) => limitInUnit(way.parameter, Number(value.toPrecision(3)), unit);
	const drawn = $derived(
		courseChart(
			{
				course: way.points.map((p) => ({ day: p.day, value: to(p.value), u: span(p.u) })),
				estimate: [{ day: today, value: to(present.value), u: span(present.u) }],
				readings: way.readings.map((r) => ({
					day: daysBetween(way.startsAt, r.at),
					value: to(r.value),
					u: span(r.u)
				})),
				band: {
					low: band.low === null ? null : to(band.low),
					high: band.high === null ? null : to(band.high)
				},
				aim: to(way.aim)
			},
			{ width, height: HEIGHT, left: LEFT, bottom: BOTTOM, top: TOP }
		)
	);
	const thereDay = $derived(way.thereAt === null ? null : daysBetween(way.startsAt, way.thereAt));
	const day = (at: Instant) => shortDay(at, timeZone, now);
	const words = $derived(
		`${PARAMETERS[way.parameter].name}: now ${shown(present.value)}, aim ${shown(way.aim)} ${UNITS[unit].symbol}, ${
			way.thereAt === null ? 'not all the way by the end of the plan' : `by plan there on ${day(way.thereAt)}`
		}.`
	);
	const aimY = $derived(drawn.y(to(way.aim)));
	/** Words keep clear of each other at the edges. */
	const nearRight = (x: number) => x > width - 110;
</script>

<figure bind:clientWidth={width} class="min-w-0">
	<svg viewBox="0 0 {width} {HEIGHT}" height={HEIGHT} class="figures w-full" role="img" aria-label={words}>
		{#if drawn.slot}
			<rect
				x={LEFT}
				width={Math.max(0, width - LEFT - RIGHT)}
				y={drawn.slot.from}
				height={Math.max(0, drawn.slot.to - drawn.slot.from)}
				fill="var(--slot)"
			/>
		{/if}
		{#each drawn.ticks as tick (tick.value)}
			{#if Math.abs(tick.at - aimY) > 14}<text x={LEFT - 6} y={tick.at + 4} class="end"
					>{plain(tick.value)}</text
				>{/if}
		{/each}
		<text x={LEFT - 6} y={aimY + 4} class="end strong">{shown(way.aim)}</text>
		<line x1={LEFT} x2={width - RIGHT} y1={aimY} y2={aimY} class="aim" />
		<text x={LEFT + 6} y={aimY - 5}>aim of the plan</text>
		<polygon points={drawn.courseArea} fill="var(--lens)" opacity="0.5" />
		<polyline points={drawn.courseLine} class="course" />
		{#each drawn.dots as dot, i (i)}<circle cx={dot.x} cy={dot.y} r="3.5" class="dot" />{/each}
		<line
			x1={drawn.x(today)}
			x2={drawn.x(today)}
			y1={drawn.y(to(present.value + 2 * present.u))}
			y2={drawn.y(to(present.value - 2 * present.u))}
			class="interval"
		/>
		<circle cx={drawn.x(today)} cy={drawn.y(to(present.value))} r="6" class="now" />
		<text x={Math.max(LEFT, drawn.x(today) - 4)} y={HEIGHT - 6}>today</text>
		{#if thereDay !== null && way.thereAt !== null}
			{@const x = drawn.x(thereDay)}
			<line x1={x} x2={x} y1={TOP - 4} y2={HEIGHT - BOTTOM} class="there" />
			<text {x} dx={nearRight(x) ? -5 : 5} y="13" text-anchor={nearRight(x) ? 'end' : 'start'} class="strong"
				>by plan {day(way.thereAt)}</text
			>
		{/if}
		{#if way.points.at(-1)}
			{@const last = way.points.at(-1)!}
			{#if drawn.x(last.day) - drawn.x(today) > 120}
				<text x={drawn.x(last.day)} y={HEIGHT - 6} class="end">{day(addDays(way.startsAt, last.day))}</text>
			{/if}
		{/if}
	</svg>
</figure>

<style>
	text {
		font-size: 13px;
		fill: var(--muted);
	}
	.end {
		text-anchor: end;
	}
	.strong {
		fill: var(--ink);
		font-weight: 650;
	}
	.aim {
		stroke: var(--ink);
		stroke-width: 1;
		stroke-dasharray: 1 4;
	}
	.course {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-dasharray: 6 5;
	}
	.dot {
		fill: var(--ink);
	}
	.interval {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.now {
		fill: var(--surface);
		stroke: var(--ink);
		stroke-width: 2.5;
	}
	.there {
		stroke: var(--ink);
		stroke-width: 1;
	}
</style>
