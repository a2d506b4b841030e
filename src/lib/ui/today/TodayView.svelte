<script lang="ts">
	import type { EventDetails, EventKind } from '$lib/contract/event';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago, longDay, shortDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/event';
	import { gradeWords, isWarning } from '$lib/format/verdict';
	import Action from '$lib/ui/shared/Action.svelte';
	import { benchDeskOf } from '$lib/ui/shared/context';
	import Demand from './Demand.svelte';
	import ParameterRow from './ParameterRow.svelte';
	import type { DoubtfulReading } from '$lib/contract/doubt';
	import { besidesSentence, departureSentence, doubtSentence, moveSentence } from '$lib/format/estimate';
	import type { DepartureToday, ParameterToday, RateMove } from '$lib/contract/today';

	interface Props {
		water: { readonly id: string };
		rows: readonly ParameterToday[];
		untested: readonly ParameterId[];
		doubts: readonly DoubtfulReading[];
		moves: readonly RateMove[];
		departure: DepartureToday | null;
		lately: readonly {
			id: string;
			kind: EventKind;
			details: EventDetails;
			note: string;
			happenedAt: Instant;
		}[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { water, rows, untested, doubts, moves, departure, lately, units, timeZone, now }: Props = $props();

	const desk = benchDeskOf();
	/** What needs a look, the worst first. */
	const open = $derived(
		rows.flatMap((r) =>
			r.estimate && (r.estimate.verdict.grade === 'cannot-tell' || isWarning(r.estimate.verdict.grade))
				? [{ parameter: r.parameter, verdict: r.estimate.verdict }]
				: []
		)
	);
	const departs = $derived(departure ? departureSentence(departure, units.alkalinity) : '');
	const base = $derived(`/waters/${water.id}`);
	/** The readings made last, for the sentence at the top. */
	const lastRead = $derived([...rows].sort((a, b) => b.last.at - a.last.at).slice(0, 3));
</script>

<main class="today">
	<div class="first border-b bg-paper px-4 py-6 lg:border-r lg:border-b-0 lg:px-8">
		<p class="label">{longDay(now, timeZone)}</p>
		{#if desk.draft}
			<h1 class="mt-3 text-2xl">A test is unfinished</h1>
			<p class="mt-1 text-muted">It waits on the bench as you left it.</p>
			<p class="mt-4"><Action kind="primary" size="large" href="{base}/bench">Go on with it</Action></p>
		{:else}
			<h1 class="mt-3 text-2xl">{rows.length === 0 ? 'Make the first test' : 'Test the water'}</h1>
			<p class="mt-1 text-muted">
				{#if rows.length === 0}
					Nothing was read from this water yet. Start with alkalinity: it moves fastest.
				{:else}
					{#each lastRead as row, i (row.parameter)}{i > 0 ? ', ' : ''}{i === 0
							? PARAMETERS[row.parameter].name
							: nameWithin(row.parameter)} was read {ago(row.last.at, timeZone, now)}{/each}.
					{rows.length > lastRead.length ? `${rows.length - lastRead.length} more stand beside.` : ''}
				{/if}
			</p>
			<p class="mt-4"><Action kind="primary" size="large" href="{base}/bench">Go to the bench</Action></p>
		{/if}

		{#if open.length + doubts.length + moves.length > 0 || departs}
			<h2 class="label mt-8">To look at</h2>
			<ul class="mt-2">
				{#each open as row (row.parameter)}
					<li class="border-t py-3">
						<strong class={isWarning(row.verdict.grade) ? 'text-warn' : ''}
							>{PARAMETERS[row.parameter].name}: {gradeWords(
								row.verdict.grade,
								row.verdict.side
							).toLowerCase()}.</strong
						>
						{#if row.verdict.grade === 'cannot-tell'}
							<span class="small block text-muted"
								>The readings cannot tell whether it is inside. Another test narrows it.</span
							>
						{:else}
							<span class="small block text-muted"
								>Test again before you correct it, and change it slowly.</span
							>
						{/if}
					</li>
				{/each}
				{#each doubts as doubt (doubt.readingId + doubt.parameter)}
					<li class="border-t py-3">
						<strong>{PARAMETERS[doubt.parameter].name}: a reading to look at.</strong>
						<span class="small figures block text-muted"
							>{doubtSentence(doubt, units, timeZone, now)}
							<a class="link whitespace-nowrap" href="{base}/log/{doubt.readingId}">Look at it</a></span
						>
					</li>
				{/each}
				{#each moves as move (`${move.parameter}/${move.at ?? 0}`)}
					<li class="border-t py-3">
						<strong>{PARAMETERS[move.parameter].name}: the use has changed.</strong>
						<span class="small figures block text-muted"
							>{moveSentence(move, units, timeZone, now)} {besidesSentence(move, timeZone, now)}</span
						>
					</li>
				{/each}
				{#if departs}
					<li class="border-t py-3">
						<strong>Alkalinity and calcium part ways.</strong>
						<span class="small figures block text-muted">{departs}</span>
					</li>
				{/if}
			</ul>
		{/if}
	</div>

	<div class="lately bg-paper px-4 pt-4 pb-6 lg:border-r lg:px-8">
		<h2 class="label">Lately</h2>
		<ul class="small mt-2">
			{#each lately as event (event.id)}
				<li class="border-t py-2">
					<span class="figures text-muted">{shortDay(event.happenedAt, timeZone, now)}</span>
					<span class="font-semibold">{EVENT_NAMES[event.kind]}</span>
					<span class="block"
						>{[eventWords(event.kind, event.details), event.note].filter(Boolean).join('. ')}</span
					>
				</li>
			{:else}
				<li class="border-t py-2 text-muted">No dose, water change or note yet.</li>
			{/each}
		</ul>
		<p class="mt-4 -ml-4">
			<Action kind="quiet" href="{base}/log/new">Enter a dose, a change or a note</Action>
		</p>
	</div>

	<section aria-labelledby="water-now" class="now min-w-0 px-4 py-6 lg:px-8">
		<h2 id="water-now" class="label">The water now, estimated from the last readings, doses and changes</h2>
		<div class="mt-3 border-t">
			{#each rows as row (row.parameter)}
				<ParameterRow {row} unit={units[row.parameter]} {timeZone} {now} />
			{:else}
				<p class="py-8 text-muted">
					Nothing yet. After the first test its value stands here, with its interval and its band.
				</p>
			{/each}
		</div>
		{#if rows.length > 0}
			<p class="small mt-4 text-muted">
				<svg class="mr-1 inline-block align-middle" width="34" height="16" aria-hidden="true"
					><path
						d="M2 8 Q17 -4 32 8 Q17 20 2 8Z"
						fill="var(--lens)"
						stroke="var(--ink)"
						stroke-width="1.5"
					/></svg
				>estimate with its 95 % interval
				<svg class="mr-1 ml-4 inline-block align-middle" width="6" height="16" aria-hidden="true"
					><line x1="3" x2="3" y1="1" y2="15" stroke="var(--ink)" stroke-width="2.5" /></svg
				>last reading
				<svg class="mr-1 ml-4 inline-block align-middle" width="26" height="16" aria-hidden="true"
					><line x1="1" x2="20" y1="8" y2="8" stroke="var(--ink)" stroke-width="2" /><circle
						cx="21"
						cy="8"
						r="3.5"
						fill="var(--ink)"
					/></svg
				>where it will be in seven days
			</p>
		{/if}
		<Demand {rows} {units} />
		{#if untested.length > 0 && rows.length > 0}
			<p class="small mt-3 text-muted">
				Not tested in the last four months: {untested.map(nameWithin).join(', ')}.
			</p>
		{/if}
		<p class="small mt-3"><a class="link" href="{base}/targets">Targets of this water</a></p>
	</section>
</main>

<style>
	.today {
		display: flex;
		flex-direction: column;
	}
	.lately {
		order: 3;
	}
	@media (min-width: 64rem) {
		.today {
			display: grid;
			grid-template-columns: 21rem minmax(0, 1fr);
			grid-template-rows: auto 1fr;
			width: 100%;
			max-width: 80rem;
			margin-inline: auto;
		}
		.now {
			grid-column: 2;
			grid-row: 1 / span 2;
		}
	}
</style>
