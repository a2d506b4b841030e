<script lang="ts">
	import type { BenchOffer } from '$lib/contract/bench';
	import type { ColourMethod, StepStatement } from '$lib/core/method';
	import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Fault } from '$lib/core/result';
	import { plain } from '$lib/format/number';
	import { placeWords } from '$lib/format/log/reading';
	import Ladder from '$lib/ui/instrument/Ladder.svelte';
	import { halve, type Comparison } from '$lib/ui/instrument/ladder';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { readingOf } from '$lib/ui/shared/reading-draft';
	import LiveResult from './LiveResult.svelte';
	import { measure } from './measure';
	import ReadFrame from './ReadFrame.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		ondone: () => void;
		ongiveup: () => void;
	}
	let { desk, contexts, units, ondone, ongiveup }: Props = $props();

	const method = $derived(desk.method as ColourMethod);
	const draft = $derived(desk.draft!);
	const step = $derived(desk.progress!.step!);
	const rungs = $derived(method.colourSteps.length);
	const hasBelow = $derived(method.colourSteps[0]!.value > 0);
	/** The lowest step is the colour of none at all: whether it turned is seen before how far. */
	const startsAtNone = $derived(method.colourSteps[0]!.value === 0);
	let fault = $state<Fault | null>(null);
	/** Answers of the search by halving; null while it is not on. */
	let answers = $state<readonly { rung: number; is: Comparison }[] | null>(null);
	/** The second person reads blind: the first mark is out of sight until they are done. */
	let reading2 = $state(false);
	const halving = $derived(answers ? halve(rungs, answers, hasBelow) : null);
	const shown = $derived(reading2 ? draft.reading.second : draft.reading.at);

	function set(at: StepStatement): void {
		desk.read(reading2 ? { second: at } : { at });
		fault = null;
	}
	function answer(is: Comparison): void {
		if (halving?.ask == null) return;
		answers = [...(answers ?? []), { rung: halving.ask, is }];
		const { found } = halve(rungs, answers, hasBelow);
		if (found) {
			set(found);
			answers = null;
		}
	}
	const reading = $derived(readingOf(method, draft.portion, draft.reading));
	const live = $derived(reading && !reading2 ? measure(method, reading, contexts, desk.draft ?? {}) : null);
	/** The interval halves if the keeper can tell which step it is nearer to. */
	const openBetween = $derived(shown?.kind === 'between' ? shown.index : null);
	const isAbove = $derived(draft.reading.at?.kind === 'above');

	function done(): void {
		if (reading2) {
			reading2 = false;
			return;
		}
		if (!reading) fault = { code: 'invalid-field', field: 'at', details: { rule: 'missing' } };
		else {
			const { fault: wrong } = measure(method, reading, contexts, desk.draft ?? {});
			if (wrong) fault = wrong;
			else ondone();
		}
	}
</script>

<ReadFrame
	{contexts}
	{units}
	{desk}
	{step}
	label="{PARAMETERS[method.parameter].name}{method.sampleMl
		? `, ${plain(method.sampleMl.full)} mL`
		: ''}{method.blank ? ', with a blank' : ''}"
	doneText={reading2 ? 'Second reading is done' : 'That is its place'}
	{fault}
	ondone={done}
	{ongiveup}
	more="A white screen is not daylight. Go by the printed steps, in daylight, and let nothing coloured stand near."
>
	{#snippet head()}
		<p class="mt-3 max-w-[38rem]">
			{#if reading2}
				<strong>Second reader:</strong> the first mark is hidden. Find the place for yourself.
			{:else if halving?.ask != null}
				<strong class="figures"
					>Darker or paler than {plain(method.colourSteps[halving.ask]!.value)}
					{UNITS[method.unit].symbol}?</strong
				>
			{:else if shown}
				<strong class="figures text-xl">{placeWords(method, shown)} {UNITS[method.unit].symbol}</strong>
			{:else}
				Press the ladder where the sample belongs: on a step, or between two.
				<HelpMark topic="between-steps" about="a colour between two steps" />
			{/if}
		</p>
		{#if halving?.ask != null}
			<div class="mt-3 flex flex-wrap gap-3">
				<Button kind="choice" onclick={() => answer('paler')}>Paler</Button>
				<Button kind="choice" onclick={() => answer('alike')}>Alike</Button>
				<Button kind="choice" onclick={() => answer('darker')}>Darker</Button>
			</div>
		{:else if startsAtNone && !shown}
			<div class="mt-3 flex flex-wrap gap-3">
				<Button kind="choice" onclick={() => set({ kind: 'on', index: 0 })}>It did not turn</Button>
				<Button kind="choice" onclick={() => (answers = [{ rung: 0, is: 'darker' }])}
					>It turned: how far?</Button
				>
			</div>
		{/if}
	{/snippet}
	{#snippet controls()}
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind="choice" pressed={answers !== null} onclick={() => (answers = answers ? null : [])}
				>Search by halving</Button
			>
			{#if draft.reading.at && !reading2}
				<Button
					kind="choice"
					pressed={draft.reading.second !== null}
					onclick={() => {
						desk.read({ second: null });
						reading2 = true;
					}}>A second person reads</Button
				>
			{/if}
			{#if openBetween !== null}
				<Button kind="choice" onclick={() => set({ kind: 'nearer_lower', index: openBetween })}
					>Nearer {plain(method.colourSteps[openBetween]!.value)}</Button
				>
				<Button kind="choice" onclick={() => set({ kind: 'nearer_upper', index: openBetween })}
					>Nearer {plain(method.colourSteps[openBetween + 1]!.value)}</Button
				>
			{/if}
		</div>
		{#if isAbove}
			<p class="mt-3 max-w-[38rem]">
				<strong>Beyond the highest step this is a bound.</strong>
				{method.dilutions.length > 0
					? `Thin the sample 1:${method.dilutions.join(' or 1:')} with water free of ${nameWithin(method.parameter)} and test again.`
					: 'Thin the sample with water free of it and test again: choose a dilution at the start.'}
			</p>
		{/if}
	{/snippet}
	{#snippet instrument()}
		<Ladder
			steps={method.colourSteps}
			unit={UNITS[method.unit].symbol}
			at={shown}
			asked={halving?.ask ?? null}
			words={shown ? placeWords(method, shown) : 'not set'}
			onset={set}
		/>
		<LiveResult
			hidden={desk.draft?.reading.circumstances.blind ?? false}
			{live}
			parameters={[method.parameter]}
			{units}
			lead="as the mark stands"
		/>
	{/snippet}
</ReadFrame>
