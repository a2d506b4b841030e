<script lang="ts">
	import type { PlanCourse, SeenStep } from '$lib/core/correction';
	import type { SeenGoal } from '$lib/core/judgement/plan';
	import { convert, convertSpan, PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import { daysBetween, type Instant } from '$lib/core/time';
	import { plain } from '$lib/format/number';
	import { courseChart } from './course-chart';

	interface Props {
		goal: Pick<SeenGoal, 'parameter' | 'aim' | 'readings' | 'estimate'>;
		course: PlanCourse | null;
		band: { readonly low: number | null; readonly high: number | null } | null;
		steps: readonly Pick<SeenStep, 'day' | 'what' | 'state'>[];
		startsAt: Instant;
		now: Instant;
		unit: UnitId;
		/** px; lower in a list. */
		height?: number;
	}
	let { goal, course, band, steps, startsAt, now, unit, height: HEIGHT = 260 }: Props = $props();

	/** As wide as its place, so that its words keep their size on a phone. */
	let width = $state(760);
	const canonical = $derived(PARAMETERS[goal.parameter].canonicalUnit);
	const to = (x: number) => convert(x, canonical, unit);
	const point = (p: { at: Instant; value: number; u: number }) => ({
		day: daysBetween(startsAt, p.at),
		value: to(p.value),
		u: convertSpan(p.u, canonical, unit)
	});
	const drawn = $derived(
		courseChart(
			{
				course: (course?.points ?? []).map((p) => ({
					day: p.day,
					value: to(p.value),
					u: convertSpan(p.u, canonical, unit)
				})),
				estimate: goal.estimate.map(point),
				readings: goal.readings.map(point),
				band: band && {
					low: band.low === null ? null : to(band.low),
					high: band.high === null ? null : to(band.high)
				},
				aim: to(goal.aim)
			},
			{ width, height: HEIGHT, left: 48, bottom: 40, top: 12 }
		)
	);
	const doses = $derived(
		steps.filter((s) => s.what.kind === 'dose' || s.what.kind === 'change' || s.what.kind === 'salinity')
	);
	const today = $derived(daysBetween(startsAt, now));
	const end = $derived(course?.points.at(-1));
	const words = $derived(
		`${PARAMETERS[goal.parameter].name} over the days of the plan, aim ${plain(Number(to(goal.aim).toPrecision(3)))}${end ? `, expected ${plain(Number(to(end.value).toPrecision(3)))} at the end` : ''}; ${goal.readings.length} readings.`
	);
</script>

<figure bind:clientWidth={width}>
	<figcaption class="flex flex-wrap items-baseline justify-between gap-x-4">
		<strong>{PARAMETERS[goal.parameter].name}{unit === 'ph' ? '' : `, ${UNITS[unit].symbol}`}</strong>
		<span class="small text-muted">days of the plan</span>
	</figcaption>
	<svg viewBox="0 0 {width} {HEIGHT}" class="mt-1 w-full" role="img" aria-label={words}>
		{#if drawn.slot}
			<rect
				x="48"
				width={Math.max(0, width - 56)}
				y={drawn.slot.from}
				height={Math.max(0, drawn.slot.to - drawn.slot.from)}
				fill="var(--slot)"
			/>
		{/if}
		{#each drawn.ticks as tick (tick.value)}
			<text x="40" y={tick.at + 4} class="tick end">{plain(tick.value)}</text>
			<line x1="44" x2="48" y1={tick.at} y2={tick.at} stroke="var(--line-strong)" />
		{/each}
		{#each drawn.dayTicks as tick (tick.day)}
			<text x={tick.at} y={HEIGHT - 6} class="tick middle">{tick.day + 1}</text>
		{/each}
		<polygon points={drawn.courseArea} fill="var(--lens)" opacity="0.55" />
		<polyline
			points={drawn.courseLine}
			fill="none"
			stroke="var(--ink)"
			stroke-width="1.5"
			stroke-dasharray="6 5"
		/>
		<polyline points={drawn.estimateLine} fill="none" stroke="var(--ink)" stroke-width="2.5" />
		{#each doses as step, i (i)}
			{@const at = drawn.x(step.day + 0.4)}
			<line
				x1={at}
				x2={at}
				y1={HEIGHT - 38}
				y2={HEIGHT - 26}
				stroke="var(--ink)"
				stroke-width={step.state === 'done' ? 5 : 1.5}
				stroke-dasharray={step.state === 'missed' || step.state === 'skipped' ? '2 3' : undefined}
			/>
		{/each}
		<line x1="48" x2={width - 8} y1={HEIGHT - 40} y2={HEIGHT - 40} stroke="var(--line-strong)" />
		<line x1="48" x2="48" y1="8" y2={HEIGHT - 40} stroke="var(--line-strong)" />
		{#if today > 0 && today < (course?.points.at(-1)?.day ?? 0)}
			<line
				x1={drawn.x(today)}
				x2={drawn.x(today)}
				y1="8"
				y2={HEIGHT - 40}
				stroke="var(--accent)"
				stroke-width="2"
			/>
			<text x={drawn.x(today) + 5} y="18" class="tick">now</text>
		{/if}
		{#each drawn.dots as dot, i (i)}
			<circle cx={dot.x} cy={dot.y} r="4.5" fill="var(--ink)" stroke="var(--surface)" stroke-width="1.5" />
		{/each}
	</svg>
</figure>

<style>
	.tick {
		font-size: 13px;
		fill: var(--muted);
	}
	.end {
		text-anchor: end;
	}
	.middle {
		text-anchor: middle;
	}
</style>
