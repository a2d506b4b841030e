<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { movedTimes } from '$lib/client/moved-times';
	import { stayAwake } from '$lib/client/wake-lock';
	import { USUAL_HANDLING, type Handling } from '$lib/contract/handling';
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import type { SaveTestRun } from '$lib/contract/test-run';
	import type { SlipCandidate } from '$lib/core/plausibility';
	import { convert, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { TestResult } from '$lib/core/reading';
	import { offsetMinutes, type Instant } from '$lib/core/time';
	import { faultText } from '$lib/format/faults/faults';
	import type { BenchDraft } from '$lib/ui/shared/bench-session';
	import { benchDeskOf, clockOf, outboxOf } from '$lib/ui/shared/context';
	import { afterSeeing, draftOf, readingOf } from '$lib/ui/shared/reading-draft';
	import CountDrops from '../read/CountDrops.svelte';
	import { DeviceDesk, deviceOf } from '../read/DeviceDesk.svelte';
	import { measure } from '../read/measure';
	import ReadDisplay from '../read/ReadDisplay.svelte';
	import ReadLine from '../read/ReadLine.svelte';
	import ReadSteps from '../read/ReadSteps.svelte';
	import { screenOf } from '../read/screen';
	import Titrate from '../read/Titrate.svelte';
	import ResultView from '../result/ResultView.svelte';
	import RunStep from './RunStep.svelte';

	interface Props {
		bench: BenchAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		/** How this person works where leaflets leave it open. */
		handling?: Handling;
		timeZone: string;
		now: Instant;
		/** The test at hand was kept, on the server or here until it is back. */
		onkept: (
			draft: BenchDraft,
			results: readonly TestResult[],
			onServer: boolean,
			more: 'same' | 'thinned' | null
		) => Promise<void>;
		/** The same test anew, instead of this one. */
		onrepeat: (draft: BenchDraft) => void;
	}
	let { bench, units, handling = USUAL_HANDLING, timeZone, now, onkept, onrepeat }: Props = $props();

	const desk = benchDeskOf();
	const outbox = outboxOf();
	const clock = clockOf();
	onMount(stayAwake);
	let saving = $state(false);
	/** Of the test at hand: with another test it is gone. */
	let fault = $derived.by<string | null>(() => {
		void runId;
		return null;
	});

	const offer = $derived(bench.offers.find((o) => o.method.code === desk.draft?.method.code) ?? null);
	/** A standard is held against no band and no history of the water. */
	const contexts = $derived<BenchOffer['contexts']>(desk.draft?.standard ? {} : (offer?.contexts ?? {}));
	const reading = $derived(
		desk.draft?.readAt != null ? readingOf(desk.draft.method, desk.draft.portion, desk.draft.reading) : null
	);
	const made = $derived({ ...desk.draft, deviations: desk.progress?.deviations ?? [] });
	const slips = $derived({ others: bench.offers.map((o) => o.method), priors: bench.slipPriors });
	const measurement = $derived(
		reading && desk.method ? measure(desk.method, reading, contexts, made, slips) : null
	);
	/** Changes with every test, and not with what is entered in it. */
	const runId = $derived(desk.draft?.runId ?? null);
	/** The device that this test is read with, connected anew with every test. */
	const device = $derived.by(() => {
		const method = desk.method;
		const kind = method && deviceOf(method);
		if (!kind || !runId || method.kind !== 'display') return null;
		return untrack(() => {
			const standard = bench.standards.find((s) => s.id === desk.draft?.standard?.id);
			const level = () =>
				standard?.contents.find((c) => c.parameter === method.parameter)?.value ??
				offer?.contexts[method.parameter]?.expected?.value ??
				offer?.contexts[method.parameter]?.band?.aim ??
				null;
			const canonical = PARAMETERS[method.parameter].canonicalUnit;
			const known = level();
			const holds = known === null ? method.range.high / 4 : convert(known, canonical, method.unit);
			return new DeviceDesk(kind, method, {
				clock,
				seed: Math.floor((desk.draft?.startedAt ?? 0) / 1000) % 2 ** 31,
				holds: () => holds,
				temperatureC: () => bench.before.temperature?.value ?? 25
			});
		});
	});
	/** Changes with every screen of the test; each begins at its top. */
	const screen = $derived(
		`${desk.draft?.runId ?? ''}/${desk.progress?.stepIndex ?? ''}/${desk.draft?.readAt != null}`
	);
	$effect(() => {
		if (screen) window.scrollTo({ top: 0 });
	});
	const action = $derived(desk.progress?.step?.action ?? null);
	const shown = $derived(desk.draft && action ? screenOf(desk.draft.method, action) : null);

	function giveUp(): void {
		void desk.giveUp();
	}
	/** A reading is done: the next step, or, after the last one, the result. */
	function done(): void {
		const last = (desk.progress?.stepIndex ?? 0) >= desk.steps.length - 1;
		if (last) desk.change({ readAt: clock.now() });
		else desk.note('step-done');
	}
	function acceptSlip(slip: SlipCandidate): void {
		const { draft } = desk;
		if (!draft) return;
		const change = {
			portion: slip.reading.portion,
			reading: draftOf(slip.reading, draft.reading),
			slip: { kind: slip.kind, answer: 'that-is-it' as const }
		};
		// The steps were those of the kit that was opened; what was noted of them tells nothing of the other's.
		const other = slip.method.code === draft.method.code ? {} : { method: slip.method, log: [], kit: null };
		desk.change({ ...change, ...other });
	}
	function keepAsEntered(slip: SlipCandidate): void {
		desk.change({ slip: { kind: slip.kind, answer: 'as-entered' } });
	}

	/** By how many minutes this device's clock is ahead, as the server said; the times are put right by them. */
	let ahead = $state(0);

	async function save(more: 'same' | 'thinned' | null = null, byMinutes = 0): Promise<void> {
		const { draft, method, session } = desk;
		if (!draft || !method || !session || !reading || !measurement || draft.readAt === null || saving) return;
		saving = true;
		fault = null;
		// While it is sent, the hands may turn to another test.
		const here = measurement.outcomes.map((o) => o.outcome.result);
		const command = {
			id: draft.runId,
			sampleId: draft.sampleId,
			readingId: draft.readingId,
			waterId: draft.waterId,
			...(desk.isSession ? { sessionId: session.id } : {}),
			methodCode: method.code,
			methodVersion: method.version,
			drawnAt: draft.drawnAt,
			startedAt: draft.startedAt,
			finishedAt: draft.readAt,
			offsetMinutes: offsetMinutes(draft.readAt, timeZone),
			...(draft.keptHow ? { keptHow: draft.keptHow } : {}),
			...(draft.standard ? { standardId: draft.standard.id } : {}),
			...(draft.kit ? { itemIds: [draft.kit.id] } : {}),
			reading,
			...(draft.slip ? { slip: draft.slip } : {}),
			...(draft.said ? { said: draft.said } : {}),
			stepLog: [...draft.log],
			note: draft.note.trim()
		} satisfies SaveTestRun;
		const answer = await outbox.put<{ results: TestResult[] }>({
			id: draft.runId,
			url: `/api/waters/${draft.waterId}/test-runs`,
			command: byMinutes > 0 ? movedTimes(command, -byMinutes * 60_000) : command,
			label: `${PARAMETERS[method.parameter].name}, ${bench.waterName}`
		});
		saving = false;
		if (answer.kind === 'refused') {
			await outbox.forget(draft.runId);
			fault = faultText(answer.fault);
			ahead = answer.fault.code === 'in-the-future' ? Number(answer.fault.details?.minutes ?? 0) : 0;
			return;
		}
		const results = answer.kind === 'ok' ? answer.value.results : here;
		await onkept(draft, results, answer.kind === 'ok', more);
	}
	function backToReading(): void {
		if (!desk.draft) return;
		desk.change({ readAt: null, slip: null, valueSeen: true, reading: afterSeeing(desk.draft.reading) });
	}
</script>

{#if desk.draft && measurement}
	<ResultView
		{desk}
		{measurement}
		{units}
		before={bench.before}
		{contexts}
		{saving}
		{fault}
		{ahead}
		onsave={() => save()}
		onright={() => save(null, ahead)}
		onmore={save}
		onback={backToReading}
		onslip={acceptSlip}
		onkeep={keepAsEntered}
		onrepeat={() => desk.draft && onrepeat(desk.draft)}
	/>
{:else if shown === 'count-drops'}
	<CountDrops
		{desk}
		{contexts}
		{units}
		calcium={bench.before.calcium ?? null}
		{timeZone}
		{now}
		ondone={done}
		ongiveup={giveUp}
	/>
{:else if shown === 'titrate'}
	{@const which = action?.kind === 'titrate' ? (action.titration ?? 0) : 0}
	{#key which}
		<Titrate {desk} {contexts} {units} {which} ondone={done} ongiveup={giveUp} />
	{/key}
{:else if shown === 'steps'}
	<ReadSteps {desk} {contexts} {units} ondone={done} ongiveup={giveUp} />
{:else if shown === 'display'}
	<ReadDisplay {desk} {device} {contexts} {units} ondone={done} ongiveup={giveUp} />
{:else if shown === 'line'}
	<ReadLine {desk} {contexts} {units} ondone={done} ongiveup={giveUp} />
{:else if shown === 'instruction'}
	<RunStep {desk} {device} {handling} stepNotes={bench.stepNotes ?? []} ongiveup={giveUp} />
{/if}
