<script lang="ts">
	import { untrack } from 'svelte';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import { titrationsOf, type Method } from '$lib/core/method';
	import { convert, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { SlipCandidate } from '$lib/core/plausibility';
	import { formOf, type TestResult } from '$lib/core/reading';
	import { addSeconds, offsetMinutes, type Instant } from '$lib/core/time';
	import { faultText } from '$lib/format/faults';
	import { resultInUnit } from '$lib/format/quantity';
	import Action from '$lib/ui/shared/Action.svelte';
	import { benchDeskOf, clockOf } from '$lib/ui/shared/context';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import { draftOf, emptyReading, readingOf, type Habits } from '$lib/ui/shared/reading-draft';
	import ChooseMethod from './ChooseMethod.svelte';
	import CountDrops from './CountDrops.svelte';
	import { DeviceDesk, deviceOf } from './DeviceDesk.svelte';
	import { measure } from './measure';
	import type { BenchAsked, StartChoice } from './MethodPanel.svelte';
	import ReadDisplay from './ReadDisplay.svelte';
	import ReadLine from './ReadLine.svelte';
	import ReadSteps from './ReadSteps.svelte';
	import ResultView from './ResultView.svelte';
	import RunStep from './RunStep.svelte';
	import Titrate from './Titrate.svelte';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		habits: Habits;
		timeZone: string;
		now: Instant;
		/** Asks the server again, so that the next reading is held against the one just saved. */
		onsaved: () => Promise<void>;
		/** The shelf asks for a standard to be tested with a kit. */
		asked: BenchAsked;
	}
	let { waterId, bench, units, habits, timeZone, now, onsaved, asked }: Props = $props();

	const desk = benchDeskOf();
	const clock = clockOf();
	const newId = idMaker(untrack(() => clock));
	let saving = $state(false);
	let fault = $state<string | null>(null);
	/** The test that was just saved, so that its sample can be tested once more. */
	let saved = $state.raw<{
		readonly method: Method;
		readonly runId: string;
		readonly sampleId: string;
		readonly drawnAt: Instant;
		readonly choice: StartChoice;
		readonly all: readonly (readonly TestResult[])[];
	} | null>(null);

	const offer = $derived(bench.offers.find((o) => o.method.code === desk.draft?.method.code) ?? null);
	/** A standard is held against no band and no history of the water. */
	const contexts = $derived<BenchOffer['contexts']>(desk.draft?.standard ? {} : (offer?.contexts ?? {}));
	const reading = $derived(
		desk.draft?.readAt != null ? readingOf(desk.draft.method, desk.draft.portion, desk.draft.reading) : null
	);
	const slips = $derived({ others: bench.offers.map((o) => o.method), priors: bench.slipPriors });
	const measurement = $derived(
		reading && desk.method ? measure(desk.method, reading, contexts, desk.draft ?? {}, slips) : null
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
		`${desk.draft?.runId ?? ''}/${desk.progress?.stepIndex ?? ''}/${desk.draft?.readAt != null}/${saved !== null}`
	);
	$effect(() => {
		if (screen) window.scrollTo({ top: 0 });
	});
	const action = $derived(desk.progress?.step?.action ?? null);
	const reads = $derived(action?.kind === 'titrate' || action?.kind === 'read');

	interface Repeat {
		readonly sampleId: string;
		readonly drawnAt: Instant;
		readonly earlier: readonly (readonly TestResult[])[];
	}
	function begin(method: Method, choice: StartChoice, repeat: Repeat | null): void {
		saved = null;
		fault = null;
		const startedAt = clock.now();
		desk.start({
			waterId,
			method,
			portion: choice.portion,
			runId: newId(),
			sampleId: repeat?.sampleId ?? newId(),
			readingId: newId(),
			drawnAt: repeat?.drawnAt ?? addSeconds(startedAt, -3600 * choice.ageH),
			startedAt,
			log: [],
			reading: { ...emptyReading(method, habits), dilution: choice.dilution },
			keptHow: choice.keptHow,
			earlier: repeat?.earlier ?? [],
			note: '',
			kit: choice.kit,
			standard: choice.standard,
			readAt: null
		});
	}
	const choiceOf = (): StartChoice => ({
		portion: desk.draft?.portion ?? 'full',
		dilution: desk.draft?.reading.dilution ?? null,
		ageH: 0,
		keptHow: desk.draft?.keptHow ?? '',
		kit: desk.draft?.kit ?? null,
		standard: desk.draft?.standard ?? null
	});
	function startAgain(): void {
		const { draft } = desk;
		if (draft) begin(draft.method, choiceOf(), draft);
	}
	function repeatSaved(): void {
		if (saved) {
			const { method, choice, sampleId, drawnAt, all } = saved;
			begin(method, choice, { sampleId, drawnAt, earlier: all });
		}
	}
	function giveUp(): void {
		void desk.clear();
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

	async function save(): Promise<void> {
		const { draft, method } = desk;
		if (!draft || !method || !reading || draft.readAt === null || saving) return;
		saving = true;
		fault = null;
		const answer = await send<{ results: TestResult[] }>(`/api/waters/${waterId}/test-runs`, {
			id: draft.runId,
			sampleId: draft.sampleId,
			readingId: draft.readingId,
			waterId,
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
			stepLog: draft.log,
			note: draft.note.trim()
		});
		saving = false;
		if (answer.kind === 'ok') {
			saved = {
				method,
				runId: draft.runId,
				sampleId: draft.sampleId,
				drawnAt: draft.drawnAt,
				choice: choiceOf(),
				all: [...draft.earlier, answer.value.results]
			};
			await desk.clear();
			await onsaved();
		} else {
			fault = answer.kind === 'refused' ? faultText(answer.fault) : answer.message;
		}
	}
</script>

<main>
	{#if desk.storeFault}<p class="page py-2! font-semibold text-warn">{desk.storeFault}</p>{/if}
	{#if !desk.ready}
		<p class="page text-muted">Looking for an unfinished test …</p>
	{:else if desk.draft && measurement}
		<ResultView
			{desk}
			{measurement}
			{units}
			before={bench.before}
			{contexts}
			{saving}
			{fault}
			onsave={save}
			onback={() => desk.change({ readAt: null, slip: null })}
			onslip={acceptSlip}
			onkeep={keepAsEntered}
			onrepeat={startAgain}
		/>
	{:else if desk.draft && reads && action?.kind === 'titrate'}
		{@const which = action.titration ?? 0}
		{#if titrationsOf(desk.draft.method)[which]?.meter.kind === 'drops'}
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
		{:else}
			{#key which}
				<Titrate {desk} {contexts} {units} {which} ondone={done} ongiveup={giveUp} />
			{/key}
		{/if}
	{:else if desk.draft && reads}
		{@const form = formOf(desk.draft.method)}
		{#if form === 'step'}
			<ReadSteps {desk} {contexts} {units} ondone={done} ongiveup={giveUp} />
		{:else if form === 'display'}
			<ReadDisplay {desk} {device} {contexts} {units} ondone={done} ongiveup={giveUp} />
		{:else}
			<ReadLine {desk} {contexts} {units} ondone={done} ongiveup={giveUp} />
		{/if}
	{:else if desk.draft && desk.progress?.step}
		<RunStep {desk} {device} ongiveup={giveUp} />
	{:else}
		{#if saved}
			<div role="status" class="border-b bg-paper">
				<div class="page flex max-w-[76rem]! flex-wrap items-center gap-x-6 gap-y-3 py-5!">
					<p class="figures text-xl">
						<strong>Saved.</strong>
						{#each saved.all.at(-1) ?? [] as result (result.parameter)}
							{PARAMETERS[result.parameter].name}
							{resultInUnit(result, units[result.parameter])}.
						{/each}
					</p>
					{#if saved.choice.standard && saved.choice.kit}
						<Action kind="primary" href="/waters/{waterId}/shelf/{saved.choice.kit.id}#check"
							>Go on with the check</Action
						>
					{/if}
					<Action onclick={repeatSaved}>Test the same sample again</Action>
					<Action href="/waters/{waterId}/today">See Today</Action>
					<Action href="/waters/{waterId}/trends">See the trend</Action>
					<div class="basis-full">
						<Photographs {waterId} of={{ run: saved.runId }} photographs={[]} what="this test" />
					</div>
				</div>
			</div>
		{/if}
		<ChooseMethod
			{waterId}
			{bench}
			{units}
			{timeZone}
			{now}
			{asked}
			onstart={(chosen, choice) => begin(chosen.method, choice, null)}
		/>
	{/if}
</main>
