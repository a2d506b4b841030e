<script lang="ts">
	import type { TodayAnswer } from '$lib/contract/today';
	import type { UsualSetSeen } from '$lib/contract/test-set';
	import { isDue } from '$lib/core/judgement';
	import type { PlanLine } from '$lib/core/judgement/plan';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { EventDetails, EventKind } from '$lib/core/record';
	import { civilDate, endOfDay, type Instant } from '$lib/core/time';
	import { HELD } from '$lib/format/adjust/adjust';
	import { whyDue } from '$lib/format/bench/bench';
	import { longDay, shortDay } from '$lib/format/date';
	import { ADVICE, STAGE_NAMES } from '$lib/format/judgement/stage';
	import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
	import Button from '$lib/ui/kit/Button.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import { benchDeskOf } from '$lib/ui/shared/context';
	import May from '$lib/ui/access/May.svelte';
	import DailyDoses from './DailyDoses.svelte';
	import CyclePanel from './CyclePanel.svelte';
	import Demand from './Demand.svelte';
	import LastDay from './LastDay.svelte';
	import Matters from './Matters.svelte';
	import ParameterRow from './ParameterRow.svelte';
	import PlansToday from './PlansToday.svelte';
	import StepTick from './StepTick.svelte';
	import UsualSet from './UsualSet.svelte';
	import NextTests from './NextTests.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';

	interface Props {
		water: { readonly id: string; readonly kind: string; readonly startedAt: Instant };
		today: TodayAnswer;
		lately: readonly {
			id: string;
			kind: EventKind;
			details: EventDetails;
			note: string;
			happenedAt: Instant;
		}[];
		/** The set whose time comes next; null where none was named. */
		usual: UsualSetSeen | null;
		/** What is due, and nothing on the shelf tests it. */
		withoutKit: readonly ParameterId[];
		/** Bottles that wait for the laboratory. */
		bottles: readonly { readonly id: string; readonly at: Instant }[];
		/** Fresh ids for the steps of plans that can be ticked, by plan and step. */
		stepIds: Readonly<Record<string, string>>;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { water, today, lately, usual, withoutKit, bottles, stepIds, units, timeZone, now }: Props = $props();

	const WIDE = '(min-width: 64rem)';
	const desk = benchDeskOf();
	const base = $derived(`/waters/${water.id}`);
	const rows = $derived(today.rows);
	/** Dangers stand above all, as on every page. */
	const besides = $derived(today.shown.filter((m) => !m.danger));
	const context = $derived({ units, timeZone, now, base });
	const end = $derived(endOfDay(now, timeZone));
	const due = $derived(today.due.filter((d) => isDue(d, end)));
	const later = $derived([...today.due].filter((d) => !isDue(d, end)).sort((a, b) => a.dueAt - b.dueAt));
	const next = $derived(later[0] ?? null);
	const openSteps = (plan: PlanLine) => plan.today.filter((s) => s.state === 'open');
	/** A correction that still waits for something today; first one that must not go on before somebody looked. */
	const waiting = $derived(today.plans.filter((p) => openSteps(p).length > 0));
	const asking = $derived(waiting.find((p) => p.held) ?? waiting[0] ?? null);
	/** The tests of the day come before what goes on, and after what must not go on. */
	const testsFirst = $derived(due.length > 0 && !asking?.held);
	const MOST_DUE = 4;
	const MOST_BESIDES = 3;
	/** On a phone what is read at leisure stands folded below the values. */
	let restOpen = $state(true);
	let useOpen = $state(true);
	/** What is dosed, with readings enough to tell a rate. */
	const used = $derived(
		rows.flatMap(({ parameter, estimate }) =>
			estimate && estimate.basedOn > 1 && PARAMETERS[parameter].dosed ? [{ parameter, ...estimate }] : []
		)
	);
	$effect(() => {
		if (!matchMedia(WIDE).matches) [restOpen, useOpen] = [false, false];
	});
	/** Parameters that stay near nothing all along take a line, not a strip of their own. */
	const lived = $derived(water.kind === 'tank');
</script>

<main class="today">
	<div class="first border-b bg-paper px-4 py-5 lg:border-r lg:border-b-0 lg:px-7">
		<p class="label">
			{longDay(now, timeZone)}{today.stage ? ` · ${STAGE_NAMES[today.stage].toLowerCase()}` : ''}
		</p>
		{#if desk.draft}
			<h1 class="mt-3 text-2xl">A test is unfinished</h1>
			<p class="mt-1 text-muted">It waits on the bench as you left it.</p>
			<p class="mt-4"><Button kind="primary" size="large" href="{base}/bench">Go on with it</Button></p>
		{:else if rows.length === 0}
			<h1 class="mt-3 text-2xl">Make the first test</h1>
			<p class="mt-1 text-muted">
				Nothing was read from this water yet. Start with alkalinity: it moves fastest.
			</p>
			<p class="mt-4"><Button kind="primary" size="large" href="{base}/bench">Go to the bench</Button></p>
		{:else if testsFirst}
			<h1 class="mt-3 text-2xl">
				{due.length === 1
					? `Test ${nameWithin(due[0]!.parameter)} today`
					: `${due.length} tests are due today`}
			</h1>
			<ul class="small mt-2" aria-label="Due today">
				{#each due.slice(0, MOST_DUE) as test (test.parameter)}
					<li class="border-t py-1.5">
						<strong>{PARAMETERS[test.parameter].name}.</strong>
						<span class="text-muted">{whyDue(test)}.</span>
						{#if withoutKit.includes(test.parameter)}
							<a class="link block" href="{base}/shelf/kinds">No kit for it is on the shelf.</a>
						{/if}
					</li>
				{/each}
				{#if due.length > MOST_DUE}
					<li class="border-t py-1.5 text-muted">
						Also {due
							.slice(MOST_DUE)
							.map((d) => nameWithin(d.parameter))
							.join(', ')}.
					</li>
				{/if}
			</ul>
			<p class="mt-4"><Button kind="primary" size="large" href="{base}/bench">Go to the bench</Button></p>
		{:else if asking}
			<h1 class="mt-3 text-2xl">
				{asking.held ? 'A correction waits until you have looked' : 'A correction goes on today'}
			</h1>
			{#if asking.held}<p class="mt-1">{HELD}</p>{/if}
			<ul class="small figures mt-2" aria-label="Its steps today">
				{#each openSteps(asking) as step (step.id)}<li class="border-t py-1.5">
						<StepTick
							plan="{base}/adjust/plans/{asking.id}"
							{step}
							id={stepIds[`${asking.id}/${step.id}`]}
							held={asking.held}
							{units}
						/>
					</li>{/each}
			</ul>
			<p class="mt-4 flex flex-wrap gap-3">
				{#if asking.held}
					<Button kind="primary" size="large" href="{base}/bench">Test again</Button>
					<Button size="large" href="{base}/adjust/plans/{asking.id}">Go to the correction</Button>
				{:else}
					<Button kind="primary" size="large" href="{base}/adjust/plans/{asking.id}"
						>Go to the correction</Button
					>
					<Button size="large" href="{base}/bench">Go to the bench</Button>
				{/if}
			</p>
		{:else}
			<h1 class="mt-3 text-2xl">Nothing is due today</h1>
			<p class="mt-1 text-muted">
				{next
					? `Next: ${nameWithin(next.parameter)} on ${shortDay(next.dueAt, timeZone, now)}. ${whyDue(next)}.`
					: 'No test is planned for this water.'}
			</p>
			<p class="mt-4"><Button size="large" href="{base}/bench">Go to the bench</Button></p>
		{/if}
		{#each bottles as bottle (bottle.id)}
			<p class="small mt-3 border-l-4 border-line-strong pl-3">
				A bottle of {shortDay(bottle.at, timeZone, now)} waits for the laboratory.
				<a class="link" href="{base}/laboratory">Send it</a>, cold and in the dark; what stood for weeks is no
				longer what was drawn.
			</p>
		{/each}
		{#if !desk.draft && rows.length > 0}<UsualSet {base} {usual} {timeZone} {now} />{/if}
	</div>

	<div class="rest bg-paper px-4 pb-2 lg:border-r lg:px-7 lg:pb-6">
		<Disclosure
			title="What needs a decision, what comes next, what was done"
			bind:open={restOpen}
			class="rest-fold"
			look="link min-h-12"
		>
			<Late>
				<Matters
					shown={besides.slice(0, MOST_BESIDES)}
					folded={[...besides.slice(MOST_BESIDES), ...today.folded]}
					dangers={today.shown.length - besides.length}
					{context}
				/></Late
			>
			<Late>
				<NextTests tests={later} {base} {timeZone} {now} />
				{#if today.plans.length > 0}<PlansToday
						plans={today.plans}
						told={desk.draft || testsFirst ? null : (asking?.id ?? null)}
						{base}
						{stepIds}
						{units}
					/>{/if}
				{#if today.doses.length > 0}
					<DailyDoses doses={today.doses} {base} list="doses/{water.id}/{civilDate(now, timeZone)}" />
				{/if}
			</Late>
			<Late>
				<h2 class="label mt-8">Lately</h2>
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
					<May what="record"
						><Button kind="quiet" href="{base}/log/new">Enter a dose, a change or a note</Button></May
					>
				</p>
				{#if today.lastSession}
					<LastDay session={today.lastSession} {units} {timeZone} {now} />
				{/if}
				{#if today.advice.length > 0}
					<h2 class="label mt-8">Standing advice</h2>
					<ul class="small mt-2">
						{#each today.advice as id (id)}<li class="border-t py-1.5">{ADVICE[id]}</li>{/each}
					</ul>
				{/if}
			</Late>
		</Disclosure>
	</div>

	<section aria-labelledby="water-now" class="now min-w-0 px-4 py-4 lg:px-8">
		{#if today.cycle && lived}
			<CyclePanel cycle={today.cycle} waterId={water.id} startedAt={water.startedAt} {timeZone} {now} />
		{/if}
		<h2 id="water-now" class="label inline-block {today.cycle ? 'mt-6' : ''}">The water now</h2>
		<HelpMark topic="grades" about="how a value is judged" />
		{#if rows.length > 0}
			<ul class="@container mt-1 border-t" aria-labelledby="water-now">
				{#each rows as row (row.parameter)}
					<Late tag="li" class="border-b"
						><ParameterRow {row} unit={units[row.parameter]} {timeZone} {now} /></Late
					>
				{/each}
			</ul>
		{:else}
			<p class="mt-1 border-y py-8 text-muted">
				Nothing yet. After the first test its value stands here, with its interval and its band.
				<May what="record"
					><a class="link" href="/waters/{water.id}/log/earlier">Enter readings from before</a></May
				>
			</p>
		{/if}
		{#if rows.length > 0}
			<p class="small mt-2 text-muted">
				<svg class="mr-1 inline-block align-middle" width="34" height="16" aria-hidden="true"
					><path
						d="M2 8 Q17 -4 32 8 Q17 20 2 8Z"
						fill="var(--lens)"
						stroke="var(--ink)"
						stroke-width="1.5"
					/></svg
				>estimate, 95 %
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
				>in seven days
				<span class="max-md:hidden"
					><svg class="mr-1 ml-4 inline-block align-middle" width="30" height="16" aria-hidden="true"
						><rect width="30" height="16" fill="var(--slot)" /><polyline
							points="0,6 8,9 15,5 22,10 30,8"
							fill="none"
							stroke="var(--ink)"
							stroke-width="1.75"
						/></svg
					>the last six weeks</span
				>
			</p>
		{/if}
		{#if used.length > 0}
			<Late
				><Disclosure
					title="What the water uses in a day"
					bind:open={useOpen}
					class="rest-fold"
					look="link min-h-12 mt-2"
				>
					<Demand {used} {units} />
				</Disclosure></Late
			>
		{/if}
		{#if today.untested.length > 0 && rows.length > 0}
			<p class="small mt-3 text-muted">
				Not tested in the last four months: {today.untested.map(nameWithin).join(', ')}.
			</p>
		{/if}
		<p class="small mt-3 flex flex-wrap gap-x-6">
			<a class="link flex min-h-8 items-center" href="{base}/targets">Targets of this water</a>
			<a class="link flex min-h-8 items-center" href="{base}/adjust">What to put right</a>
			<a class="link flex min-h-8 items-center" href="{base}/findings">What the rules find</a>
			{#if water.kind !== 'source'}<a class="link flex min-h-8 items-center" href="{base}/sea"
					>Beside the seas</a
				>{/if}
			<a class="link flex min-h-8 items-center" href="{base}/compare"
				>Compare two methods, readers or waters</a
			>
		</p>
	</section>
</main>

<style>
	.today {
		display: flex;
		flex-direction: column;
	}
	.rest {
		order: 3;
	}
	@media (min-width: 64rem) {
		.today {
			display: grid;
			grid-template-columns: 20rem minmax(0, 1fr);
			grid-template-rows: auto 1fr;
			width: 100%;
			max-width: 80rem;
			margin-inline: auto;
		}
		.now {
			grid-column: 2;
			grid-row: 1 / span 2;
		}
		/* Beside the values there is room for it. */
		.today :global(.rest-fold > summary) {
			display: none;
		}
	}
</style>
