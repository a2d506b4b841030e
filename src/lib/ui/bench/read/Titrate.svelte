<script lang="ts">
	import type { BenchOffer } from '$lib/contract/bench';
	import { parametersOf, sampleOf, titrationsOf, type Meter } from '$lib/core/method';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { marksAround, MAX_FILLS, otherScale, volumeOf, type ScaleReading } from '$lib/core/reading';
	import { roundTo } from '$lib/core/numeric';
	import type { Fault } from '$lib/core/result';
	import { millilitres, plain } from '$lib/format/number';
	import Syringe from '$lib/ui/instrument/Syringe.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { marksOf, readingOf } from '$lib/ui/shared/reading-draft';
	import EndPointHabit from './EndPointHabit.svelte';
	import LiveResult from './LiveResult.svelte';
	import { measure, type Measurement } from './measure';
	import ReadFrame from './ReadFrame.svelte';
	import TurningColours from './TurningColours.svelte';
	import VolumeField from './VolumeField.svelte';
	import { WatchAgain } from './WatchAgain.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		/** 1 for the second titration in one vial. */
		which: 0 | 1;
		ondone: () => void;
		ongiveup: () => void;
	}
	let { desk, contexts, units, which, ondone, ongiveup }: Props = $props();

	const method = $derived(desk.method!);
	const draft = $derived(desk.draft!);
	const titration = $derived(titrationsOf(method)[which]!);
	const syringe = $derived(titration.meter as Extract<Meter, { kind: 'syringe' }>);
	const step = $derived(desk.progress!.step!);
	const marks = $derived(draft.reading.titrations[which]!);
	const fill = $derived(marks.fills.at(-1)!);
	let between = $state(false);
	let tipUp = $state(false);
	let fault = $state<Fault | null>(null);

	/** The last filling's end in the sense asked for, whatever it was entered as. */
	const endAs = (sense: 'left' | 'used'): ScaleReading | null => {
		if (!fill.end) return null;
		return sense === marks.readAs ? fill.end : otherScale(fill.startMl, fill.end);
	};
	const left = $derived(endAs('left'));
	const used = $derived(endAs('used'));
	const middleOf = (r: ScaleReading | null) =>
		r && roundTo((r.lowerMl + r.upperMl) / 2, syringe.graduationMl / 4);

	function setEnd(readAs: 'left' | 'used', end: ScaleReading): void {
		// All fillings are kept in one sense; an empty syringe reads the same in both.
		const others = marks.fills.slice(0, -1).map((f) => ({
			...f,
			end: f.end && readAs !== marks.readAs ? otherScale(f.startMl, f.end) : f.end
		}));
		desk.readTitration(which, { readAs, fills: [...others, { ...fill, end }] });
		fault = null;
	}
	/** A position of the plunger as a reading: one mark, or the two that it stands between. */
	function around(ml: number): ScaleReading {
		const [lowerMl, upperMl] = marksAround(ml, syringe.graduationMl);
		return { lowerMl, upperMl };
	}
	function fromPlunger(leftMl: number): void {
		const end = around(leftMl);
		setEnd(syringe.readAs, syringe.readAs === 'left' ? end : otherScale(fill.startMl, end));
	}
	function fromField(readAs: 'left' | 'used', ml: number): void {
		const end = around(ml);
		if (end.upperMl > fill.startMl + 1e-9) {
			fault =
				end.upperMl > syringe.capacityMl + 1e-9
					? { code: 'beyond-syringe', details: { capacityMl: syringe.capacityMl } }
					: { code: 'start-below-end', details: { start: fill.startMl, end: end.upperMl } };
			return;
		}
		between = end.lowerMl !== end.upperMl;
		setEnd(readAs, end);
	}
	function toggleBetween(): void {
		between = !between;
		const at = middleOf(left);
		if (at === null) return;
		const half = syringe.graduationMl / 2;
		fromPlunger(
			between
				? at + half <= fill.startMl
					? roundTo(at + half, half)
					: roundTo(at - half, half)
				: roundTo(at - half, syringe.graduationMl)
		);
	}
	function refill(): void {
		const emptied = marks.readAs === 'left' ? 0 : fill.startMl;
		desk.readTitration(which, {
			fills: [
				...marks.fills.slice(0, -1),
				{ ...fill, end: { lowerMl: emptied, upperMl: emptied } },
				{ startMl: syringe.capacityMl, end: null }
			]
		});
	}
	function undoRefill(): void {
		desk.readTitration(which, { fills: marks.fills.slice(0, -1) });
	}

	/** Of a pair only the titration in hand can be told before both are done. */
	const live = $derived.by((): Measurement | null => {
		const own = marksOf(marks);
		if (!own) return null;
		const whole = readingOf(method, draft.portion, draft.reading);
		if (whole) return measure(method, whole, contexts, desk.draft ?? {});
		if (method.kind !== 'paired-titration') return null;
		const { endPoint, dilution } = draft.reading;
		return measure(
			{ ...method, kind: 'syringe-titration', parameter: titration.parameter, titration },
			{ form: 'syringe', portion: draft.portion, ...own, endPoint, ...(dilution ? { dilution } : {}) },
			contexts
		);
	});
	const allUsed = $derived.by(() => {
		const own = marksOf(marks);
		return own && volumeOf(titration, own);
	});

	const watch = new WatchAgain(() => ({ desk, which, used: allUsed }));
	function turned(): void {
		if (!live) fault = { code: 'no-fill' };
		else if (live.fault) fault = live.fault;
		else if (watch.called()) ondone();
	}
</script>

<ReadFrame
	{contexts}
	{units}
	{desk}
	{step}
	label="{PARAMETERS[titration.parameter].name}, {plain(sampleOf(method, draft.portion) ?? 0)} mL"
	doneText="Colour has turned"
	{fault}
	ondone={turned}
	{watch}
	{ongiveup}
	more="If the colour falls back after a while, the first turn counts. If you ran past it, say so in the note and test again."
>
	{#snippet head()}<TurningColours colours={titration.colours} />{/snippet}
	{#snippet controls()}
		<div class="mt-4 flex flex-wrap gap-3">
			{#if marks.fills.length < MAX_FILLS}
				<Button kind="choice" onclick={refill}>Empty: filled again</Button>
			{/if}
			<Button kind="choice" pressed={between} onclick={toggleBetween}>Between two marks</Button>
			<Button
				kind="choice"
				pressed={!marks.sure}
				onclick={() => desk.readTitration(which, { sure: !marks.sure })}>Not sure of the mark</Button
			>
			<Button kind="choice" pressed={tipUp} onclick={() => (tipUp = !tipUp)}>Tip up</Button>
		</div>
		{#if marks.fills.length > 1}
			<p class="small figures mt-4">
				Filling {marks.fills.length}; {millilitres(
					marks.fills.slice(0, -1).reduce((sum, f) => sum + f.startMl, 0)
				)} mL went in before it.
				<Button kind="text" class="min-h-10 px-1" onclick={undoRefill}>Take the last filling back</Button>
			</p>
		{/if}
		{#if which === 0}
			<EndPointHabit value={draft.reading.endPoint} onchange={(endPoint) => desk.read({ endPoint })} />
		{/if}
	{/snippet}
	{#snippet instrument()}
		<Syringe
			capacityMl={syringe.capacityMl}
			graduationMl={syringe.graduationMl}
			leftMl={middleOf(left)}
			startMl={fill.startMl}
			{between}
			{tipUp}
			onset={fromPlunger}
		/>
		<div class="mt-4 grid grid-cols-2 gap-3">
			<VolumeField
				label="left"
				asked={syringe.readAs === 'left'}
				reading={left}
				graduationMl={syringe.graduationMl}
				onset={(ml) => fromField('left', ml)}
				onfault={(f) => (fault = f)}
			/>
			<VolumeField
				label="used"
				asked={syringe.readAs === 'used'}
				reading={used}
				graduationMl={syringe.graduationMl}
				onset={(ml) => fromField('used', ml)}
				onfault={(f) => (fault = f)}
			/>
		</div>
		<p class="mt-2"><HelpMark topic="left-used" about="left or used" /></p>
		<LiveResult
			hidden={desk.draft?.reading.circumstances.blind ?? false}
			{live}
			parameters={which === 0 && method.kind !== 'paired-titration'
				? parametersOf(method)
				: [titration.parameter]}
			{units}
			lead="if it turned now{allUsed !== null && marks.fills.length > 1
				? `, ${millilitres(allUsed)} mL in all`
				: ''}"
		/>
	{/snippet}
</ReadFrame>
