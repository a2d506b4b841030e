<script lang="ts">
	import { untrack } from 'svelte';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import { offsetMinutes, type Instant } from '$lib/core/time';
	import { methodByCode, type Portion } from '$lib/core/method';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { SlipCandidate } from '$lib/core/plausibility';
	import type { TestResult } from '$lib/core/reading';
	import { faultText } from '$lib/format/faults';
	import { resultInUnit } from '$lib/format/quantity';
	import Action from '$lib/ui/shared/Action.svelte';
	import { benchDeskOf, clockOf } from '$lib/ui/shared/context';
	import ChooseMethod from './ChooseMethod.svelte';
	import { measure, readingOf } from './measure';
	import type { BenchOffer } from './offer';
	import ResultView from './ResultView.svelte';
	import RunStep from './RunStep.svelte';
	import Titrate from './Titrate.svelte';

	interface Props {
		waterId: string;
		offers: readonly BenchOffer[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		/** Asks the server again, so that the next reading is held against the one just saved. */
		onsaved: () => Promise<void>;
	}
	let { waterId, offers, units, timeZone, now, onsaved }: Props = $props();

	const desk = benchDeskOf();
	const clock = clockOf();
	const newId = idMaker(untrack(() => clock));
	let saving = $state(false);
	let fault = $state<string | null>(null);
	let saved = $state<TestResult | null>(null);

	const offer = $derived(offers.find((o) => o.method.code === desk.draft?.methodCode) ?? null);
	const unit = $derived(units[desk.method?.parameter ?? 'alkalinity']);
	const reading = $derived(desk.draft?.readAt != null ? readingOf(desk.draft) : null);
	const measurement = $derived(reading && desk.method && offer ? measure(desk.method, reading, offer) : null);
	/** Changes with every screen of the test; each begins at its top. */
	const screen = $derived(
		`${desk.draft?.runId ?? ''}/${desk.progress?.stepIndex ?? ''}/${desk.draft?.readAt != null}/${saved !== null}`
	);
	$effect(() => {
		if (screen) window.scrollTo({ top: 0 });
	});
	const titrating = $derived(desk.progress?.step?.action.kind === 'titrate');

	function start(methodCode: string, portion: Portion): void {
		const method = methodByCode(methodCode);
		if (!method) return;
		saved = null;
		fault = null;
		desk.start({
			waterId,
			methodCode,
			portion,
			runId: newId(),
			sampleId: newId(),
			readingId: newId(),
			startedAt: clock.now(),
			log: [],
			readAs: method.syringe.readAs,
			fills: [{ startMl: method.syringe.capacityMl, end: null }],
			sure: true,
			note: '',
			readAt: null
		});
	}
	function repeat(): void {
		if (desk.draft) start(desk.draft.methodCode, desk.draft.portion);
	}
	function giveUp(): void {
		void desk.clear();
	}
	function acceptSlip(slip: SlipCandidate): void {
		desk.change({ readAs: slip.reading.readAs, fills: slip.reading.fills });
	}

	async function save(): Promise<void> {
		const { draft, method } = desk;
		if (!draft || !method || !reading || draft.readAt === null || saving) return;
		saving = true;
		fault = null;
		const answer = await send<{ result: TestResult }>(`/api/waters/${waterId}/test-runs`, {
			id: draft.runId,
			sampleId: draft.sampleId,
			readingId: draft.readingId,
			waterId,
			methodCode: method.code,
			methodVersion: method.version,
			drawnAt: draft.startedAt,
			startedAt: draft.startedAt,
			finishedAt: draft.readAt,
			offsetMinutes: offsetMinutes(draft.readAt, timeZone),
			reading,
			stepLog: draft.log,
			note: draft.note.trim()
		});
		saving = false;
		if (answer.kind === 'ok') {
			saved = answer.value.result;
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
			{unit}
			{saving}
			{fault}
			onsave={save}
			onback={() => desk.change({ readAt: null })}
			onslip={acceptSlip}
			onrepeat={repeat}
		/>
	{:else if desk.draft && titrating && offer}
		<Titrate
			{desk}
			context={offer}
			{unit}
			onturned={() => desk.change({ readAt: clock.now() })}
			ongiveup={giveUp}
		/>
	{:else if desk.draft && desk.progress?.step}
		<RunStep {desk} ongiveup={giveUp} />
	{:else}
		{#if saved}
			<div role="status" class="border-b bg-paper">
				<div class="page flex max-w-[64rem]! flex-wrap items-center gap-x-6 gap-y-3 py-5!">
					<p class="figures text-xl">
						<strong>Saved.</strong>
						{PARAMETERS[saved.parameter].name}
						{resultInUnit(saved, units[saved.parameter])}.
					</p>
					<Action href="/waters/{waterId}/today">See Today</Action>
					<Action href="/waters/{waterId}/trends">See the trend</Action>
				</div>
			</div>
		{/if}
		<ChooseMethod {offers} {units} {timeZone} {now} onstart={start} />
	{/if}
</main>
