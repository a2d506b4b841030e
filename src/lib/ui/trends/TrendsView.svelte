<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { download } from '$lib/client/download';
	import { readTrendAddress, trendAddress } from '$lib/contract/trend-address';
	import { TREND_SPANS, type TrendRow, type TrendSeries, type TrendSpan } from '$lib/contract/trends';
	import { convert, nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { instant, toIso, type Instant } from '$lib/core/time';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import {
		besidesSentence,
		departureSentence,
		doubtSentence,
		moveSentence,
		stepsLookedFor
	} from '$lib/format/trends/estimate';
	import { inUnit, limitInUnit } from '$lib/format/quantity';
	import { dayTicks } from '$lib/format/trends/ticks';
	import { spanWords } from '$lib/format/trends/trend';
	import { rateSentence } from '$lib/format/judgement/verdict';
	import Button from '$lib/ui/kit/Button.svelte';
	import { inkOf, timeScale } from './chart/ink';
	import { seriesOf, type Series } from './chart/series';
	import CursorTable from './CursorTable.svelte';
	import EventList from './EventList.svelte';
	import { asksForMore, daysSeen, fetchSeen, type Seen } from './fetch-seen';
	import KitMarks from './KitMarks.svelte';
	import { eventMarks, moveMarks } from './marks';
	import Overview from './Overview.svelte';
	import { pictureOf, type PictureKind } from './picture';
	import ReadingTable from './ReadingTable.svelte';
	import RowCanvas from './RowCanvas.svelte';
	import RowWords from './RowWords.svelte';
	import { seenCsv } from './seen-csv';
	import { shownEvents } from './shown-events';
	import Stack from './Stack.svelte';
	import { StackState } from './StackState.svelte';
	import type { TrendEvent } from './trend-event';
	import TimeHead from './TimeHead.svelte';
	import TrendTools from './TrendTools.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';

	interface Props {
		water: { readonly id: string; readonly name: string };
		siblings: readonly { readonly id: string; readonly name: string }[];
		series: TrendSeries;
		events: readonly TrendEvent[];
		/** The rows that this person usually looks at; null is all. */
		usualRows: readonly ParameterId[] | null;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
	}
	let { water, siblings, series: begun, events: begunEvents, usualRows, units, timeZone }: Props = $props();

	/** What was fetched as one moved; what came with the page until then, and again after it was loaded anew. */
	let moved = $state.raw<{ readonly since: TrendSeries; readonly seen: Seen } | null>(null);
	const own = $derived(moved?.since === begun ? moved.seen : { series: begun, events: begunEvents });
	const series = $derived(own.series);
	const events = $derived(own.events);
	let unreached = $state(false);

	const asked = untrack(() => readTrendAddress(page.url.searchParams));
	const stack = new StackState(
		() => series,
		untrack(() => ({ ...asked, rows: asked.rows ?? usualRows }))
	);
	const now = $derived(series.now);
	const parameters = $derived(series.rows.map((r) => r.parameter));
	const rows = $derived.by(() => {
		const wished = stack.rows?.flatMap((p) => series.rows.filter((r) => r.parameter === p)) ?? [];
		return wished.length > 0 ? wished : series.rows;
	});
	const all = $derived(rows.map((row) => seriesOf(row, units[row.parameter])));
	const ofOther = $derived(stack.other?.series.rows.map((row) => seriesOf(row, units[row.parameter])) ?? []);
	const ticks = $derived(dayTicks(stack.from, stack.to, timeZone));
	const marked = $derived([
		...shownEvents(events, stack.from, stack.to).map((e) => ({ kind: e.kind, at: e.happenedAt })),
		...series.moves.flatMap((m) => (m.at === null ? [] : [{ kind: 'found' as const, at: m.at }]))
	]);
	const seenEvents = $derived(
		events.filter((e) => e.happenedAt >= stack.from && e.happenedAt <= stack.to).toReversed()
	);
	const marks = $derived([
		...eventMarks(shownEvents(events, stack.from, stack.to)),
		...moveMarks(series.moves, units, timeZone, now)
	]);
	const departs = $derived(series.departure ? departureSentence(series.departure, units.alkalinity) : '');

	const looked = $derived(
		stepsLookedFor(
			series.rows.flatMap(({ parameter, estimate }) =>
				PARAMETERS[parameter].dosed
					? [
							{
								parameter,
								couldShow: estimate?.couldShowSteps ?? false,
								found: series.moves.some((m) => m.parameter === parameter && m.how === 'step')
							}
						]
					: []
			)
		)
	);

	function edgeText({ parameter, unit, band }: Series, limit: number): string {
		const { canonicalUnit } = PARAMETERS[parameter];
		const onEdge = [band?.low, band?.high].some((e) => e === limit);
		return onEdge
			? limitInUnit(parameter, convert(limit, unit, canonicalUnit), unit)
			: String(Number(limit.toPrecision(3)));
	}
	const inputOf = (main: Series, over: Series | null = null) => ({
		main,
		over,
		other: over ? null : (ofOther.find((s) => s.parameter === main.parameter) ?? null),
		events: marked,
		now,
		edgeText
	});
	const view = $derived({
		from: stack.from,
		to: stack.to,
		cursor: stack.cursor,
		pointed: stack.pointed,
		superseded: stack.superseded,
		ticks
	});
	const overlaid = $derived.by(() => {
		if (!stack.over) return null;
		// Also of rows that are not shown by themselves.
		const [a, b] = stack.over.map((p) => series.rows.find((r) => r.parameter === p));
		if (!a || !b) return null;
		return inputOf(seriesOf(a, units[a.parameter]), seriesOf(b, units[b.parameter]));
	});
	const inputs = $derived(all.map((s) => inputOf(s)));
	const GRID = 'grid gap-x-6 md:grid-cols-[8.5rem_minmax(0,1fr)_13rem]';
	/** On a phone the name and its value stand side by side above their chart. */
	const ROW =
		'border-b py-1.5 grid grid-cols-[minmax(0,1fr)_auto] gap-x-6 md:grid-cols-[8.5rem_minmax(0,1fr)_13rem]';

	function words(row: TrendRow): string {
		const unit = units[row.parameter];
		const count = `${PARAMETERS[row.parameter].name}: ${row.count} readings in all.`;
		if (!row.estimate) return `${count} Too little for an estimate yet.`;
		const { now: present } = row.estimate;
		const m = inUnit(row.parameter, present.value, standardUncertaintyOf(present), unit);
		const rate = rateSentence({ parameter: row.parameter, ...row.estimate, leavesInDays: null }, unit);
		return `${count} Now about ${m.value} plus or minus ${m.plusMinus} ${UNITS[unit].symbol}. ${rate}`;
	}

	/** All rows stand under each other, so the first tells for all where a place on the screen is in time. */
	let column = $state<HTMLElement>();
	function timeAt(clientX: number): Instant {
		const row = column?.querySelector('[role="img"]')?.getBoundingClientRect();
		if (!row) return stack.from;
		return instant(Math.round(timeScale(stack.from, stack.to, row.width).at(clientX - row.left)));
	}
	/** The address follows what is looked at once the hand rests, so that it can be kept and sent. */
	const ADDRESS_MS = 400;
	let ready = false;
	onMount(() => void (ready = true));
	$effect(() => {
		// With its rows, also the usual ones: whoever is sent it may have others.
		const address = trendAddress(stack.address);
		const rest = setTimeout(() => {
			if (ready && location.search !== address) replaceState(address, page.state);
		}, ADDRESS_MS);
		return () => clearTimeout(rest);
	});
	/** Shown so from now on, on this device: kept with what else a person likes. */
	function chooseRows(chosen: readonly ParameterId[] | null): void {
		stack.rows = chosen;
		const kept = new FormData();
		kept.set('trendRows', chosen?.join('.') ?? '');
		void fetch('/preferences', { method: 'POST', body: kept, redirect: 'manual' }).catch(() => undefined);
	}
	/** How long the hand rests before more is fetched, ms. */
	const RESTS_MS = 120;
	$effect(() => {
		const { from, to, other } = stack;
		const [mine, theirs] = [series, other];
		const asksMine = asksForMore(mine, { from, to });
		const asksTheirs = theirs !== null && asksForMore(theirs.series, { from, to });
		if (!asksMine && !asksTheirs) return;
		const since = begun;
		let over = false;
		const rest = setTimeout(() => {
			void (async () => {
				try {
					const [seen, beside] = await Promise.all([
						asksMine ? fetchSeen(water.id, daysSeen(mine, { from, to })) : null,
						asksTheirs ? fetchSeen(theirs.id, daysSeen(theirs.series, { from, to })) : null
					]);
					if (over) return;
					unreached = false;
					if (seen) moved = { since, seen };
					if (theirs && beside && stack.other?.id === theirs.id) stack.other = { ...theirs, ...beside };
				} catch {
					unreached = true;
				}
			})();
		}, RESTS_MS);
		return () => {
			over = true;
			clearTimeout(rest);
		};
	});

	let sheet = $state<HTMLElement | null>(null);
	let fault = $state('');
	const fileName = (end: string) =>
		`${water.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${toIso(stack.from).slice(0, 10)}-${toIso(stack.to).slice(0, 10)}.${end}`;

	async function savePicture(kind: PictureKind): Promise<void> {
		fault = '';
		if (!sheet) return;
		try {
			const picture = await pictureOf({
				kind,
				title: `${water.name}, ${spanWords(stack.from, stack.to, timeZone, now)}${stack.other ? `; broken: ${stack.other.name}` : ''}`,
				rows: rows.map((row, i) => ({
					title: `${PARAMETERS[row.parameter].name}, ${UNITS[units[row.parameter]].symbol}`,
					words: words(row),
					input: inputs[i]!
				})),
				view,
				ticks,
				ink: inkOf(sheet)
			});
			download(picture, fileName(kind));
		} catch (error) {
			fault = `The picture could not be made: ${error instanceof Error ? error.message : 'unknown'}. Printing may still work.`;
		}
	}
	function saveCsv(): void {
		const waters = [
			{ name: water.name, all },
			...(stack.other ? [{ name: stack.other.name, all: ofOther }] : [])
		];
		download(seenCsv(waters, stack.from, stack.to, stack.superseded), fileName('csv'));
	}
</script>

<main>
	<Late
		><TrendTools
			{stack}
			spans={Object.keys(TREND_SPANS) as TrendSpan[]}
			{parameters}
			siblings={siblings.filter((s) => s.id !== water.id)}
			waterId={water.id}
			asked={asked.beside}
			onrows={chooseRows}
			onpicture={savePicture}
			oncsv={saveCsv}
		/></Late
	>
	{#if fault}<p class="page py-2! font-semibold text-warn" role="alert">{fault}</p>{/if}
	{#if unreached}
		<p class="page py-2! font-semibold text-warn" role="alert">
			More cannot be fetched just now. What is drawn stays; move on to try again.
		</p>
	{/if}

	{#if series.rows.length === 0}
		<div class="page">
			<h2 class="text-2xl">Nothing to draw yet</h2>
			<p class="mt-1 text-muted">
				Each thing that you test gets a row of its own here, all on one axis of time. After the first test its
				reading stands there; after the second, a line.
			</p>
			<p class="mt-4 flex flex-wrap gap-3">
				<Button kind="primary" href="/waters/{water.id}/bench">Go to the bench</Button>
				<Button href="/waters/{water.id}/log/earlier">Enter what was read before</Button>
			</p>
		</div>
	{:else}
		<div bind:this={sheet} class="mx-auto max-w-[80rem] px-4 lg:px-8">
			<div class="head {GRID}">
				<p class="small figures flex flex-wrap gap-x-3 self-end pb-1 text-muted md:block">
					{spanWords(stack.from, stack.to, timeZone, now)}
				</p>
				<Late><TimeHead {stack} {marks} {timeZone} {now} /></Late>
				<p class="small self-end pb-1 text-muted max-md:hidden">
					now <HelpMark topic="interval" about="what ± means" />
				</p>
			</div>
			{#if stack.other}<p class="small border-b py-2 text-muted">
					broken line and small hollow marks: {stack.other.name}
				</p>{/if}
			<div bind:this={column}>
				<Stack {stack} {all} {timeAt}>
					{#if overlaid}
						<section class="border-b py-4 {GRID}" aria-label="Two laid over each other">
							<h2 class="text-lg leading-tight">
								{PARAMETERS[overlaid.main.parameter].name}
								<span class="small block font-normal text-muted"
									>{UNITS[overlaid.main.unit].symbol}, full line, scale at the left</span
								>
								<span class="small block py-1 font-normal text-muted">over</span>
								{PARAMETERS[overlaid.over!.parameter].name}
								<span class="small block font-normal text-muted"
									>{UNITS[overlaid.over!.unit].symbol}, broken line, scale at the right</span
								>
							</h2>
							<RowCanvas
								input={overlaid}
								{view}
								tall
								words="{PARAMETERS[overlaid.main.parameter].name} and {nameWithin(
									overlaid.over!.parameter
								)} on one axis of time."
							/>
						</section>
					{/if}
					{#each rows as row, i (row.parameter)}
						<section class={ROW} aria-label={PARAMETERS[row.parameter].name}>
							<Late>
								<h2 class="flex flex-wrap items-baseline gap-x-3 text-lg leading-tight md:block">
									{PARAMETERS[row.parameter].name}
									<span class="small font-normal text-muted md:block"
										>{UNITS[units[row.parameter]].symbol}</span
									>
									<KitMarks series={all[i]!} />
								</h2>
								<div class="max-md:order-last max-md:col-span-2">
									<RowCanvas input={inputs[i]!} {view} words={words(row)} />
								</div>
								<RowWords {row} unit={units[row.parameter]} />
							</Late>
						</section>
					{/each}
				</Stack>
			</div>
			<div class="foot {GRID}">
				<p class="small self-center text-muted max-md:hidden">all time: drag, or turn the wheel here</p>
				<Late
					><Overview
						{stack}
						from={series.from}
						to={series.to}
						density={series.density}
						{timeZone}
						{now}
					/></Late
				>
			</div>
			<p class="small flex flex-wrap gap-x-6 gap-y-1 py-3 text-muted">
				{#if series.rows.some((r) => r.thinned)}
					<span>of so many readings the highest and lowest are drawn: look closer for each</span>
				{/if}
				<span>mark: reading, thin line its 95 % interval</span>
				<span>thick line: between colour steps</span>
				<span>▲▼ bound, or off the scale with its number</span>
				<span>× laboratory</span>
				<span>dark line and ribbon: estimate with its 95 % interval; broken, with fan: ahead of now</span>
				<span>grey: band</span>
				<span
					>above: what happened; a diamond is out of the ordinary, a number is how many stand together</span
				>
			</p>
		</div>
		<CursorTable {stack} {all} {timeZone} {now} />

		<div class="page grid gap-10 pt-4! lg:grid-cols-2">
			<section>
				<h2 class="label">What was found</h2>
				<ul class="small figures mt-2 mb-8">
					{#each series.moves as move (`${move.parameter}/${move.at ?? 0}`)}
						<li class="border-t py-2">
							{moveSentence(move, units, timeZone, now)}
							<span class="text-muted">{besidesSentence(move, timeZone, now)}</span>
						</li>
					{/each}
					{#if looked}<li class="border-t py-2 text-muted">{looked}</li>{/if}
					{#if departs}<li class="border-t py-2">{departs}</li>{/if}
					{#each series.doubts as doubt (doubt.readingId + doubt.parameter)}
						<li class="border-t py-2">
							<strong>{PARAMETERS[doubt.parameter].name}.</strong>
							{doubtSentence(doubt, units, timeZone, now)}
							<a class="link whitespace-nowrap" href="/waters/{water.id}/log/{doubt.readingId}">Look at it</a>
						</li>
					{:else}
						<li class="border-t py-2 text-muted">No reading stands out.</li>
					{/each}
				</ul>
				<Late><EventList events={seenEvents} {timeZone} {now} /></Late>
			</section>
			<Late><ReadingTable rows={all} from={stack.from} to={stack.to} {timeZone} {now} /></Late>
		</div>
	{/if}
</main>

<style>
	.head {
		position: sticky;
		z-index: 15;
		top: 0;
		border-bottom: 1px solid var(--line);
		background: var(--surface);
	}
	.foot {
		z-index: 14;
		padding-top: 0.4rem;
		background: var(--surface);
	}
	/* Where there is room for it all time stays in sight too. */
	@media (min-height: 40rem) {
		.foot {
			position: sticky;
			bottom: 0;
			border-top: 1px solid var(--line);
		}
	}
	@media print {
		.head {
			position: static;
		}
		.foot {
			display: none;
		}
	}
</style>
