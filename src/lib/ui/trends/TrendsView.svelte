<script lang="ts">
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { daysBetween, type Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/event';
	import { inUnit, ratePerDay, resultInUnit } from '$lib/format/quantity';
	import { rateSentence } from '$lib/format/verdict';
	import Action from '$lib/ui/shared/Action.svelte';
	import TrendChart from './TrendChart.svelte';
	import type { TrendRow } from '$lib/contract/trends';
	import type { TrendEvent } from './trend-event';

	interface Props {
		waterId: string;
		span: string;
		spans: readonly string[];
		from: Instant;
		to: Instant;
		now: Instant;
		rows: readonly TrendRow[];
		events: readonly TrendEvent[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
	}
	let { waterId, span, spans, from, to, now, rows, events, units, timeZone }: Props = $props();

	const SHOWN_EVENTS = 10;
	const newestFirst = $derived([...events].reverse());

	function words(row: TrendRow): string {
		const unit = units[row.parameter];
		const count = `${PARAMETERS[row.parameter].name}: ${row.readings.length} readings since ${shortDay(from, timeZone, now)}.`;
		if (!row.estimate) return `${count} Too little for an estimate yet.`;
		const { now: present } = row.estimate;
		const m = inUnit(row.parameter, present.value, Math.hypot(present.uRandom, present.uCommon), unit);
		return `${count} Now about ${m.value} plus or minus ${m.plusMinus} ${UNITS[unit].symbol}. ${rateOf(row)}`;
	}
	function rateOf({ parameter, estimate }: TrendRow): string {
		return estimate ? rateSentence({ parameter, ...estimate, leavesInDays: null }, units[parameter]) : '';
	}
</script>

{#snippet happened(event: TrendEvent)}
	<li class="grid grid-cols-[6.5rem_1fr] gap-x-3 border-t py-2">
		<span class="figures text-muted">{shortDay(event.happenedAt, timeZone, now)}</span>
		<span
			><strong>{EVENT_NAMES[event.kind]}</strong>
			{[eventWords(event.kind, event.details), event.note].filter(Boolean).join('. ')}</span
		>
	</li>
{/snippet}

<main>
	<div class="border-b bg-paper">
		<div class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-6 px-4 lg:px-8">
			<h1 class="visually-hidden">Trends</h1>
			<span class="hidden text-muted sm:block">Show</span>
			<nav aria-label="Span of time" class="flex">
				{#each spans as choice (choice)}
					<a
						href="?span={choice}"
						data-sveltekit-noscroll
						aria-current={choice === span ? 'true' : undefined}
						class="flex min-h-12 items-center px-3 {choice === span
							? 'font-semibold underline decoration-2 underline-offset-8'
							: 'text-muted hover:text-ink'}">{choice}</a
					>
				{/each}
			</nav>
			<a class="link ml-auto flex min-h-12 items-center" href="/waters/{waterId}/log.csv">Save as CSV</a>
		</div>
	</div>

	{#if rows.length === 0}
		<div class="page">
			<h2 class="text-2xl">Nothing to draw yet</h2>
			<p class="mt-1 text-muted">After the first test its reading stands here; after the second, a line.</p>
			<p class="mt-4"><Action kind="primary" href="/waters/{waterId}/bench">Go to the bench</Action></p>
		</div>
	{:else}
		<div class="mx-auto max-w-[80rem] px-4 lg:px-8">
			{#each rows as row, i (row.parameter)}
				{@const unit = units[row.parameter]}
				<section
					class="grid gap-x-6 border-b py-4 md:grid-cols-[7rem_minmax(0,1fr)_13rem]"
					aria-label={PARAMETERS[row.parameter].name}
				>
					<h2 class="text-lg leading-tight">
						{PARAMETERS[row.parameter].name}
						<span class="small block font-normal text-muted">{UNITS[unit].symbol}</span>
					</h2>
					<TrendChart
						input={{ row, events, from, to, now, timeZone, unit, showDays: i === rows.length - 1 }}
						words={words(row)}
					/>
					<div class="figures">
						{#if row.estimate}
							{@const present = row.estimate.now}
							{@const m = inUnit(
								row.parameter,
								present.value,
								Math.hypot(present.uRandom, present.uCommon),
								unit
							)}
							<p class="text-2xl font-bold whitespace-nowrap">
								{m.value} <span class="text-lg font-normal">± {m.plusMinus}</span>
							</p>
							<p class="small text-muted">{rateOf(row)}</p>
						{:else}
							<p class="small text-muted">Too little for an estimate yet.</p>
						{/if}
						{#if row.estimate && row.estimate.basedOn > 1 && PARAMETERS[row.parameter].dosed}
							{@const use = ratePerDay(
								row.parameter,
								row.estimate.consumptionPerDay.value,
								row.estimate.consumptionPerDay.u,
								unit
							)}
							<p class="small mt-1 text-muted">
								The water {row.estimate.consumptionPerDay.value < 0 ? 'gains' : 'uses'}
								{use.value} ± {use.plusMinus} a day. Line through the last {row.estimate.basedOn} readings, doses
								and changes taken into account.
							</p>
						{/if}
					</div>
				</section>
			{/each}
			<p class="small flex flex-wrap gap-x-6 gap-y-1 py-3 text-muted">
				<span>● reading, with its 95 % interval</span>
				<span>▪ between colour steps</span>
				<span>▲ bound</span>
				<span>— line, with its 95 % ribbon; dashed ahead of now</span>
				<span>grey: band</span>
				<span>thin line: water change</span>
				<span>dotted: dose, setting, event</span>
				{#if daysBetween(from, to) > 200}<span>in a long span only what is out of the ordinary</span>{/if}
			</p>
		</div>

		<div class="page grid gap-10 pt-4! lg:grid-cols-2">
			<section>
				<h2 class="label">What happened in these {Math.round(daysBetween(from, now))} days</h2>
				<ul class="small mt-2">
					{#each newestFirst.slice(0, SHOWN_EVENTS) as event (event.id)}
						{@render happened(event)}
					{:else}
						<li class="border-t py-2 text-muted">Nothing was entered.</li>
					{/each}
				</ul>
				{#if newestFirst.length > SHOWN_EVENTS}
					<details class="small border-t">
						<summary class="min-h-8 py-2">{newestFirst.length - SHOWN_EVENTS} before these</summary>
						<ul>
							{#each newestFirst.slice(SHOWN_EVENTS) as event (event.id)}{@render happened(event)}{/each}
						</ul>
					</details>
				{/if}
			</section>
			<section>
				<h2 class="label">The readings as a table</h2>
				{#each rows as row (row.parameter)}
					<details class="mt-2 border-t pt-2">
						<summary class="min-h-8">{PARAMETERS[row.parameter].name}, {row.readings.length} readings</summary
						>
						<table class="small figures mt-2 w-full max-w-md">
							<thead
								><tr class="text-left"><th class="py-1">Read</th><th class="py-1 text-right">Result</th></tr
								></thead
							>
							<tbody>
								{#each [...row.readings].reverse() as reading, k (k)}
									<tr class="border-t">
										<td class="py-1"
											>{shortDay(reading.at, timeZone, now)}, {clockTime(reading.at, timeZone)}</td
										>
										<td class="py-1 text-right">{resultInUnit(reading.result, units[row.parameter])}</td>
									</tr>
								{/each}
							</tbody>
						</table>
					</details>
				{/each}
			</section>
		</div>
	{/if}
</main>
