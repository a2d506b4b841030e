<script lang="ts">
	import { chime } from '$lib/client/sound';
	import { isAtOnce, mayBeAhead, type BenchPress } from '$lib/core/bench';
	import { countOf, sampleOf, timerSecondsOf } from '$lib/core/method';
	import { PARAMETERS } from '$lib/core/quantity';
	import { MISHAPS, type Mishap } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import { MISHAP_NAMES } from '$lib/format/bench/bench';
	import { countdown } from '$lib/format/date';
	import { faultText } from '$lib/format/faults/faults';
	import type { StepNoteSeen } from '$lib/contract/practice-view';
	import type { Handling } from '$lib/contract/handling';
	import { handled } from '$lib/format/bench/handling';
	import { cautionOf } from '$lib/format/bench/hazard';
	import { movementsOf } from '$lib/format/bench/movements';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import type { DeviceDesk } from '../read/DeviceDesk.svelte';
	import DevicePanel from '../read/DevicePanel.svelte';
	import Swatch from '../read/Swatch.svelte';
	import { isAnyKey, isAnyTap } from './any-press';
	import SettleClock from './SettleClock.svelte';

	interface Props {
		desk: BenchDesk;
		device: DeviceDesk | null;
		/** What mentors wrote at steps. */
		stepNotes?: readonly StepNoteSeen[];
		/** How this person works where the leaflet leaves it open. */
		handling: Handling;
		ongiveup: () => void;
	}
	let { desk, device, stepNotes = [], handling, ongiveup }: Props = $props();

	const progress = $derived(desk.progress!);
	const step = $derived(handled(progress.step!, handling));
	const action = $derived(step.action);
	const caution = $derived(cautionOf(desk.method!, step));
	const seconds = $derived(timerSecondsOf(step));
	const timed = $derived(seconds !== null);
	/** A filter has run through when it has run through; all other times must be over. */
	const mayEndEarly = $derived(action.kind === 'filter');
	const counted = $derived(action.kind === 'drops' ? action.count : 0);
	const enough = $derived(
		action.kind === 'drops'
			? progress.drops >= action.count
			: !timed || (desk.timer !== null && (desk.timer.over || mayEndEarly))
	);
	const START_TEXT: Readonly<Record<string, string>> = {
		swirl: 'Start swirling',
		stir: 'Start stirring',
		shake: 'Start shaking',
		stand: 'Start the wait',
		filter: 'It is filtering'
	};
	const sampleMl = $derived(sampleOf(desk.method!, desk.draft!.portion));
	let fault = $state<Fault | null>(null);

	const guidance = $derived(desk.guidanceOf(desk.draft!));
	/** Drops of a suspension follow the shaking of their bottle at once. */
	const atOnce = $derived(isAtOnce(desk.steps, progress.stepIndex));
	const twoVials = $derived(countOf(desk.method!, 'vial') > 1);
	/** Since the bottle was put down, seconds. */
	const settlingS = $derived(
		atOnce && progress.since !== null ? Math.max(0, (desk.now - progress.since) / 1000) : 0
	);
	/** A syringe that can be loaded while this stands. */
	const ahead = $derived(
		action.kind === 'stand' || action.kind === 'filter'
			? (desk.steps.slice(progress.stepIndex + 1).find((s) => mayBeAhead(s) && !progress.ahead.has(s.id)) ??
					null)
			: null
	);
	/** The plan has that syringe next: it is the instruction, and the wait goes on beside it. */
	const aheadNow = $derived.by(() => {
		const next = desk.isSession ? desk.plan?.placed[0] : undefined;
		return ahead !== null &&
			next !== undefined &&
			next.startS < 5 &&
			next.step === `${desk.draft?.runId}/${ahead.id}`
			? ahead
			: null;
	});
	const movements = $derived(movementsOf(aheadNow ?? step, atOnce, twoVials));
	/** What can go wrong here, and is better said now than after the result. */
	const mishaps = $derived(
		MISHAPS.filter((m) =>
			m === 'lost-count' ? action.kind === 'drops' : m === 'mixed' ? action.kind === 'stand' : true
		)
	);
	const mentorNote = $derived(
		stepNotes.find((n) => n.methodCode === desk.method!.code && n.stepId === progress.step?.id) ?? null
	);
	const said = $derived(progress.deviations.filter((d) => d.stepId === step.id));

	function note(press: BenchPress): void {
		const before = progress.drops;
		const last = counted;
		const outcome = desk.note(press);
		fault = outcome.ok ? null : outcome.fault;
		if (press.kind === 'drop' && outcome.ok) chime(before + 1 >= last ? 1175 : 660);
	}
	function undo(): void {
		const outcome = desk.takeBack();
		fault = outcome.ok ? null : outcome.fault;
	}
	const mishap = (what: Mishap) => note({ kind: 'mishap', what });

	/** The one thing to do next; what the large button and the space bar do. */
	const next = $derived.by((): { kind: 'drop' | 'timer-started' | 'step-done'; text: string } => {
		if (action.kind === 'drops' && !enough) return { kind: 'drop', text: 'Add a drop' };
		if (timed && !desk.timer) {
			return { kind: 'timer-started', text: START_TEXT[action.kind] ?? 'Start the wait' };
		}
		return { kind: 'step-done', text: enough ? 'Done, go on' : 'Wait for it' };
	});
	const waiting = $derived(timed && desk.timer !== null && !enough);
	function press(): void {
		note(aheadNow ? { kind: 'ahead', step: aheadNow.id } : { kind: next.kind });
	}

	function key(event: KeyboardEvent): void {
		if (event.key === 'Backspace' && !(event.target as Element).closest('input, textarea')) {
			event.preventDefault();
			if (progress.canUndo) undo();
		} else if (isAnyKey(event) && !desk.isBounce && (!waiting || aheadNow)) {
			event.preventDefault();
			press();
		}
	}
	/** With a bottle in one hand and the vial in the other a drop is counted wherever a knuckle meets the screen. */
	function tap(event: MouseEvent): void {
		if (action.kind === 'drops' && !enough && !desk.isBounce && isAnyTap(event)) press();
	}

	let rang = false;
	$effect(() => {
		const over = desk.timer?.over ?? false;
		if (over && !rang) chime();
		rang = over;
	});
</script>

<svelte:window onkeydown={key} onclick={tap} />

<div class="page grid max-w-[72rem]! gap-x-12 gap-y-6 lg:grid-cols-[1fr_20rem]">
	<div class="flex flex-col">
		<p class="label figures">
			{PARAMETERS[desk.method!.parameter].name}{sampleMl === null ? '' : `, ${plain(sampleMl)} mL`} · step {progress.stepIndex +
				1}
			of {desk.steps.length}
		</p>
		<h1 class="mt-2 text-4xl leading-tight text-balance md:text-5xl">{(aheadNow ?? step).say}</h1>
		{#if guidance === 'full' && movements.length > 0}
			<ol class="mt-3 max-w-[40rem] list-decimal pl-6 text-lg">
				{#each movements as movement (movement)}<li class="py-0.5">{movement}</li>{/each}
			</ol>
		{/if}
		{#if guidance === 'full' && (aheadNow ?? step).action.kind === 'fill'}
			<SettleClock now={desk.now} />
		{/if}
		{#if mentorNote}<p class="mt-3 max-w-[38rem] border-l-4 border-accent pl-3 text-lg">
				{mentorNote.by}: {mentorNote.note}
			</p>{/if}
		{#if guidance !== 'counts'}<p class="mt-3 max-w-[38rem] text-lg text-muted">
				{(aheadNow ?? step).detail}
				{#if aheadNow}Meanwhile: {step.say.toLowerCase()}.{/if}
			</p>{/if}
		{#if atOnce}
			<p class="mt-3 text-lg font-semibold {settlingS > 10 ? 'text-warn' : ''}" role="status">
				{settlingS > 10
					? `It has settled for ${Math.round(settlingS)} s. Shake the bottle again before the drops.`
					: 'Add now, one after another, without a pause.'}
			</p>
		{/if}
		{#if caution}<p class="small mt-3 max-w-[38rem] border-l-4 border-line-strong pl-3">{caution}</p>{/if}
		{#if step.expect}<p class="mt-5">
				<Swatch colour={step.expect} label="colour to expect afterwards" />
			</p>{/if}

		{#if action.kind === 'drops'}
			<p class="figures mt-6 text-7xl leading-none font-bold" aria-live="polite">
				{progress.drops} <span class="text-3xl font-normal text-muted">of {action.count} drops</span>
			</p>
			{#if guidance !== 'counts'}<p class="small mt-2 text-muted">
					A tap anywhere, any key or a pedal counts.
				</p>{/if}
		{:else if timed}
			<p class="figures mt-6 text-7xl leading-none font-bold" role="timer">
				{desk.timer ? countdown(desk.timer.leftMs) : countdown((seconds ?? 0) * 1000)}
				<span class="text-3xl font-normal text-muted">{desk.timer?.over ? 'over' : 'min'}</span>
			</p>
		{/if}

		<div class="mt-8 flex flex-wrap gap-3">
			<Button
				kind="primary"
				size="large"
				class="min-w-60 grow sm:grow-0"
				disabled={waiting && !aheadNow}
				onclick={press}>{aheadNow ? 'It is loaded' : next.text}</Button
			>
			{#if progress.canUndo}<Button size="large" onclick={undo}>Undo</Button>{/if}
			{#if !enough && (action.kind === 'drops' || desk.timer)}
				<Button kind="quiet" size="large" onclick={() => note({ kind: 'step-left' })}>Go on as it is</Button>
			{/if}
			{#if guidance !== 'full'}
				<Button kind="quiet" size="large" onclick={() => note({ kind: 'by-heart' })}
					>Straight to the reading</Button
				>
			{/if}
		</div>
		{#if device && action.kind === 'blank'}
			<DevicePanel {desk} {device} at="blank" onzero={() => note({ kind: 'step-done' })} />
		{/if}
		{#if fault}<p role="alert" class="mt-3 font-semibold text-warn">{faultText(fault)}</p>{/if}

		{#if ahead && !aheadNow}
			<div class="mt-6 flex flex-wrap items-center gap-3 border-t pt-4">
				<span class="max-w-[26rem]"><strong>Meanwhile:</strong> {ahead.say}.</span>
				<Button onclick={() => note({ kind: 'ahead', step: ahead.id })}>It is loaded</Button>
			</div>
		{/if}
		{#each said as deviation, i (i)}
			{#if deviation.what in MISHAP_NAMES}
				<p class="small mt-3">Noted: {MISHAP_NAMES[deviation.what as Mishap].toLowerCase()}.</p>
			{/if}
		{/each}

		<div class="mt-8 grid max-w-[38rem] gap-1">
			<Disclosure title="Why" look="link min-h-10">
				<p class="mt-1">{step.why}</p>
			</Disclosure>
			<Disclosure title="Something went wrong" look="link min-h-10">
				<p class="small mt-1 text-muted">
					Say it now: it is kept with the result and makes it less certain, or asks for a repeat.
				</p>
				<div class="mt-2 flex flex-wrap gap-2">
					{#each mishaps as what (what)}
						<Button onclick={() => mishap(what)}>{MISHAP_NAMES[what]}</Button>
					{/each}
				</div>
			</Disclosure>
		</div>
	</div>

	<div class="small self-start lg:mt-8">
		<!-- On a phone one step at a time: the others are a press away. -->
		<div class="hidden lg:block">{@render allSteps()}</div>
		<Disclosure class="lg:hidden" title="All {desk.steps.length} steps" look="link min-h-11">
			{@render allSteps()}
		</Disclosure>
		<p class="pt-3"><Button kind="text" class="min-h-10" onclick={ongiveup}>Give this test up</Button></p>
	</div>
</div>

{#snippet allSteps()}
	<ol class="border-t" aria-label="All steps">
		{#each desk.steps.map((s) => handled(s, handling)) as other, i (other.id)}
			<li
				class="flex gap-3 border-b py-2 {i === progress.stepIndex ? 'font-semibold' : 'text-muted'}"
				aria-current={i === progress.stepIndex ? 'step' : undefined}
			>
				<span class="figures w-10 shrink-0">{i < progress.stepIndex ? 'done' : i + 1}</span>
				{other.say}
			</li>
		{/each}
	</ol>
{/snippet}
