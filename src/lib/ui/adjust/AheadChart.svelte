<script lang="ts">
	import type { LevelAhead } from '$lib/core/correction';
	import { convert, convertSpan, PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import { plain } from '$lib/format/number';
	import { courseChart } from './course-chart';

	interface Props {
		ahead: LevelAhead;
		/** Canonical unit. */
		band: { readonly low: number | null; readonly high: number | null } | null;
		unit: UnitId;
	}
	let { ahead, band, unit }: Props = $props();

	let width = $state(420);
	const HEIGHT = 170;
	const LEFT = 44;
	const BOTTOM = 26;
	const canonical = $derived(PARAMETERS[ahead.parameter].canonicalUnit);
	const to = (x: number) => convert(x, canonical, unit);
	const points = (which: 'asIs' | 'then') =>
		ahead.days.map((d) => ({
			day: d.day,
			value: to(d[which].value),
			u: convertSpan(d[which].u, canonical, unit)
		}));
	const drawn = $derived(
		courseChart(
			{
				course: points('asIs'),
				estimate: points('then'),
				readings: [],
				band: band && {
					low: band.low === null ? null : to(band.low),
					high: band.high === null ? null : to(band.high)
				},
				aim: to(ahead.days[0]!.asIs.value)
			},
			{ width, height: HEIGHT, left: LEFT, bottom: BOTTOM, top: 8 }
		)
	);
	const end = $derived(ahead.days.at(-1)!);
	const said = (value: number) => plain(Number(to(value).toPrecision(3)));
	const words = $derived(
		`${PARAMETERS[ahead.parameter].name} over ${end.day} days: as it runs now to ${said(end.asIs.value)}, with this dose to ${said(end.then.value)} ${UNITS[unit].symbol}.`
	);
</script>

<figure bind:clientWidth={width} class="min-w-0">
	<figcaption class="small figures">
		<strong>{PARAMETERS[ahead.parameter].name}, {UNITS[unit].symbol}</strong>
		<span class="text-muted">in two weeks {said(end.then.value)}; as it runs now {said(end.asIs.value)}</span>
	</figcaption>
	<svg viewBox="0 0 {width} {HEIGHT}" height={HEIGHT} class="w-full" role="img" aria-label={words}>
		{#if drawn.slot}
			<rect
				x={LEFT}
				width={Math.max(0, width - LEFT - 8)}
				y={drawn.slot.from}
				height={Math.max(0, drawn.slot.to - drawn.slot.from)}
				fill="var(--slot)"
			/>
		{/if}
		{#each drawn.ticks as tick (tick.value)}
			<text x={LEFT - 6} y={tick.at + 4} class="end">{plain(tick.value)}</text>
		{/each}
		{#each drawn.dayTicks as tick (tick.day)}
			<text x={tick.at} y={HEIGHT - 6} class="middle">{tick.day === 0 ? 'now' : `+${tick.day} d`}</text>
		{/each}
		<polygon points={drawn.estimateArea} fill="var(--lens)" opacity="0.5" />
		<polyline points={drawn.courseLine} class="as-is" />
		<polyline points={drawn.estimateLine} class="then" />
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
	.middle {
		text-anchor: middle;
	}
	polyline {
		fill: none;
		stroke: var(--ink);
	}
	.as-is {
		stroke-width: 1.5;
		stroke-dasharray: 4 5;
	}
	.then {
		stroke-width: 2.5;
	}
</style>
