<script lang="ts">
	import type { BenchOffer, KnownBefore } from '$lib/contract/bench';
	import { chime } from '$lib/client/sound';
	import { parametersOf, sampleOf, titrationsOf } from '$lib/core/method';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { MAX_DROPS, MAX_LOADS } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import type { Instant } from '$lib/core/time';
	import { plain } from '$lib/format/number';
	import DropCounter from '$lib/ui/instrument/DropCounter.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { readingOf } from '$lib/ui/shared/reading-draft';
	import EndPointHabit from './EndPointHabit.svelte';
	import LiveResult from './LiveResult.svelte';
	import { measure } from './measure';
	import ReadFrame from './ReadFrame.svelte';
	import SubtractField from './SubtractField.svelte';
	import TurningColours from './TurningColours.svelte';
	import { WatchAgain } from './WatchAgain.svelte';
	import { isAnyKey, isAnyTap } from '../run/any-press';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		/** The last calcium, for methods that take it off. */
		calcium: KnownBefore | null;
		timeZone: string;
		now: Instant;
		ondone: () => void;
		ongiveup: () => void;
	}
	let { desk, contexts, units, calcium, timeZone, now, ondone, ongiveup }: Props = $props();

	const method = $derived(desk.method!);
	const draft = $derived(desk.draft!);
	const titration = $derived(titrationsOf(method)[0]!);
	const step = $derived(desk.progress!.step!);
	const marks = $derived(draft.reading.titrations[0]!);
	const counted = $derived(marks.least ?? 0);
	/** What a syringe holds that the drops come from; null where they come from a bottle. */
	const loadMl = $derived(titration.meter.kind === 'drops' ? (titration.meter.loadMl ?? null) : null);
	const loads = $derived(marks.loads ?? 1);
	let fault = $state<Fault | null>(null);

	function load(by: 1 | -1): void {
		desk.readTitration(0, { loads: Math.min(MAX_LOADS, Math.max(1, loads + by)) });
		fault = null;
	}

	function add(drops: number): void {
		const least = Math.min(MAX_DROPS, counted + drops);
		desk.readTitration(0, { least, most: marks.most === null ? null : Math.max(marks.most, least) });
		fault = null;
		chime(660);
	}
	function undo(): void {
		// The only drop taken back: nothing was counted, which is not the same as none being needed.
		if (counted <= 1) desk.readTitration(0, { least: null, most: null, bad: 0 });
		else desk.readTitration(0, { least: counted - 1, bad: Math.min(marks.bad, counted - 1) });
	}
	function markBad(): void {
		desk.readTitration(0, { bad: marks.bad + 1 });
		chime(330);
	}
	function total(text: string): void {
		const typed = /^\s*\d{1,4}\s*$/.test(text) ? Number(text) : Number.NaN;
		if (!Number.isFinite(typed)) {
			fault = { code: text.trim().startsWith('-') ? 'below-zero' : 'not-a-number' };
		} else if (typed > MAX_DROPS) {
			fault = { code: 'beyond-scale', details: { least: 0, most: MAX_DROPS, unit: 'drops' } };
		} else {
			fault = null;
			desk.readTitration(0, { least: typed, bad: Math.min(marks.bad, typed) });
		}
	}

	const reading = $derived(readingOf(method, draft.portion, draft.reading));
	const live = $derived(reading && measure(method, reading, contexts, desk.draft ?? {}));
	const watch = new WatchAgain(() => ({ desk, which: 0, used: marks.least }));
	function turned(): void {
		if (marks.least === null) fault = { code: 'no-drops' };
		else if (!live) fault = { code: 'invalid-field', field: 'subtract', details: { rule: 'missing' } };
		else if (live.fault) fault = live.fault;
		else if (watch.called()) ondone();
	}
	/** Any key counts, so that a foot pedal or an elbow does when both hands are full; Enter says that it has turned. */
	function key(event: KeyboardEvent): void {
		if (event.key === 'Backspace' && !(event.target as Element).closest('input, textarea')) {
			event.preventDefault();
			undo();
		} else if (event.key !== 'Enter' && isAnyKey(event) && !desk.isBounce) {
			event.preventDefault();
			add(1);
		}
	}
	function tap(event: MouseEvent): void {
		if (isAnyTap(event) && !desk.isBounce) add(1);
	}
</script>

<svelte:window onkeydown={key} onclick={tap} />

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
	more="A half or lost drop is pressed as a drop and then marked bad: it counts as anything from nothing to a drop. If the colour falls back after a while, the first turn counts."
>
	{#snippet head()}<TurningColours colours={titration.colours} />{/snippet}
	{#snippet controls()}
		<div class="mt-4 flex flex-wrap items-center gap-3">
			<Button
				kind="choice"
				pressed={marks.most !== null}
				onclick={() =>
					desk.readTitration(0, marks.most === null ? { least: counted, most: counted + 1 } : { most: null })}
				>Somewhere between</Button
			>
			{#if marks.most !== null}
				<span class="figures text-lg">{counted} to {marks.most} drops</span>
				<Button
					kind="choice"
					aria-label="One drop more at the upper end"
					onclick={() => desk.readTitration(0, { most: Math.min(MAX_DROPS, (marks.most ?? 0) + 1) })}
					>+</Button
				>
				<Button
					kind="choice"
					aria-label="One drop less at the upper end"
					onclick={() => desk.readTitration(0, { most: Math.max(counted + 1, (marks.most ?? 0) - 1) })}
					>−</Button
				>
			{/if}
		</div>
		{#if loadMl !== null}
			<div class="mt-3 flex flex-wrap items-center gap-3" role="group" aria-label="Fillings of the syringe">
				<span class="figures"
					>Loaded {loads === 1 ? 'once' : `${loads} times`}, {plain(loadMl * loads)} mL</span
				>
				<Button kind="choice" onclick={() => load(1)}>Filled again</Button>
				{#if loads > 1}
					<Button kind="choice" aria-label="One filling less" onclick={() => load(-1)}>−</Button>
				{/if}
			</div>
		{/if}
		<EndPointHabit value={draft.reading.endPoint} onchange={(endPoint) => desk.read({ endPoint })} />
		{#if method.kind === 'difference'}
			<SubtractField
				{calcium}
				value={draft.reading.subtract}
				{timeZone}
				{now}
				onchange={(subtract) => {
					desk.read({ subtract });
					fault = null;
				}}
				onfault={(f) => (fault = f)}
			/>
		{/if}
	{/snippet}
	{#snippet instrument()}
		<DropCounter
			count={marks.least}
			bad={marks.bad}
			onadd={add}
			onundo={undo}
			onbad={markBad}
			ontotal={total}
		/>
		<LiveResult
			hidden={desk.draft?.reading.circumstances.blind ?? false}
			{live}
			parameters={parametersOf(method)}
			{units}
			lead="if it turned now"
		/>
	{/snippet}
</ReadFrame>
