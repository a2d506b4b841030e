<script lang="ts">
	import type { CycleToday } from '$lib/core/judgement/water';
	import { PARAMETERS } from '$lib/core/quantity';
	import { addDays, type Instant } from '$lib/core/time';
	import { afterSentence, cycleHeadline, trackSentence, unseenSentence } from '$lib/format/judgement/cycle';
	import { shortDay } from '$lib/format/date';
	import { curveOf, type Curve } from './cycle-curve';

	interface Props {
		cycle: CycleToday;
		waterId: string;
		startedAt: Instant;
		timeZone: string;
		now: Instant;
	}
	let { cycle, waterId, startedAt, timeZone, now }: Props = $props();

	/** As wide as its place, so that its words keep their size on a phone. */
	let width = $state(760);
	const HEIGHT = 128;
	const LEFT = 8;
	/** Room for words at the right end. */
	const RIGHT = 40;
	const PARTS = ['ammonia', 'nitrite', 'nitrate'] as const;
	const days = $derived(Math.max(10, cycle.state.day));
	const x = (at: Instant) =>
		LEFT + ((at - startedAt) / (addDays(startedAt, days) - startedAt)) * (width - LEFT - RIGHT);
	const curves = $derived(
		PARTS.map((parameter): Curve & { readonly parameter: (typeof PARTS)[number] } => ({
			parameter,
			...curveOf(cycle.curves.filter((c) => c.parameter === parameter))
		})).filter((c) => c.points.length > 0)
	);
	const y = (value: number, top: number) => HEIGHT - 22 - (value / top) * (HEIGHT - 44);
	const peakOf = (parameter: (typeof PARTS)[number]) =>
		parameter === 'nitrate' ? null : (cycle.state[parameter]?.peak ?? null);
	const zeroOf = (parameter: (typeof PARTS)[number]) =>
		parameter === 'nitrate' ? null : (cycle.state[parameter]?.firstZeroAt ?? null);
	const ticks = $derived([1, ...Array.from({ length: Math.floor(days / 5) }, (_, i) => (i + 1) * 5)]);
</script>

<section aria-labelledby="cycle" class="border-b pb-6">
	<p class="label">Day {cycle.state.day} of the cycle</p>
	<h2 id="cycle" class="mt-1 max-w-[44rem] text-2xl leading-tight">{cycleHeadline(cycle, timeZone, now)}</h2>
	{#if cycle.after}<p class="mt-2 max-w-[44rem] text-lg">{afterSentence(cycle.after)}</p>{/if}
	<div class="mt-4" bind:clientWidth={width}>
		{#each curves as { parameter, points, top } (parameter)}
			{@const peak = peakOf(parameter)}
			{@const zero = zeroOf(parameter)}
			<figure class="border-t pt-2">
				<figcaption class="flex flex-wrap items-baseline justify-between gap-x-4">
					<strong>{PARAMETERS[parameter].name}</strong>
					<span class="small text-muted"
						>{parameter === 'nitrate'
							? 'The card counts nitrite too: believe it once nitrite is clear.'
							: trackSentence(cycle.state[parameter], timeZone, now, parameter)}</span
					>
				</figcaption>
				<svg
					viewBox="0 0 {width} {HEIGHT}"
					class="mt-1 w-full"
					role="img"
					aria-label="{PARAMETERS[parameter].name} from day 1 to day {cycle.state.day}"
				>
					{#each ticks as day (day)}
						{@const at = x(addDays(startedAt, day - 0.65))}
						<line x1={at} x2={at} y1="8" y2={HEIGHT - 22} stroke="var(--line)" />
						<text x={at} y={HEIGHT - 4} class="tick">{day}</text>
					{/each}
					<line x1={LEFT} x2={width - RIGHT} y1={y(0, top)} y2={y(0, top)} stroke="var(--line-strong)" />
					<polyline
						points={points.map((p) => `${x(p.at)},${y(p.best, top)}`).join(' ')}
						fill="none"
						stroke="var(--ink)"
						stroke-width="2"
					/>
					{#each points as p (p.at)}
						<line
							x1={x(p.at)}
							x2={x(p.at)}
							y1={y(p.lower, top)}
							y2={y(p.upper, top)}
							stroke="var(--lens)"
							stroke-width="6"
							stroke-linecap="butt"
						/>
						<circle
							cx={x(p.at)}
							cy={y(p.best, top)}
							r="3.5"
							fill={p.open ? 'var(--surface)' : 'var(--ink)'}
							stroke="var(--ink)"
						/>
					{/each}
					{#if peak}
						<text x={x(peak.at)} y="10" class="mark">peak</text>
						<line x1={x(peak.at)} x2={x(peak.at)} y1="14" y2={y(peak.lower, top) - 8} stroke="var(--ink)" />
					{/if}
					{#if zero}
						<text x={x(zero)} y={y(0, top) - 14} class="mark">first zero</text>
						<line x1={x(zero)} x2={x(zero)} y1={y(0, top) - 11} y2={y(0, top) - 5} stroke="var(--ink)" />
					{/if}
				</svg>
			</figure>
		{/each}
	</div>
	<p class="small mt-1 text-muted">
		Days of the cycle, from {shortDay(startedAt, timeZone, now)}. {unseenSentence(cycle.state)}
		<a class="link" href="/waters/{waterId}/testing">How many clear days it takes</a>
	</p>
</section>

<style>
	.tick {
		font-size: 12px;
		fill: var(--muted);
		text-anchor: middle;
	}
	.mark {
		font-size: 13px;
		fill: var(--ink);
		text-anchor: middle;
	}
</style>
