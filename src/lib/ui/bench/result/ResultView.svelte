<script lang="ts">
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import { LONGEST } from '$lib/contract/lengths';
	import { stepsFor } from '$lib/core/method';
	import type { SlipCandidate } from '$lib/core/plausibility';
	import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { effectsOf } from '$lib/core/reading';
	import { deviationWords, effectWords } from '$lib/format/bench/bench';
	import { LABEL_FIRST } from '$lib/format/bench/hazard';
	import { inUnit, resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/log/reading';
	import { slipQuestion } from '$lib/format/log/slip';
	import Button from '$lib/ui/kit/Button.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import HelpTopics from '$lib/ui/shared/HelpTopics.svelte';
	import Reckoning from '$lib/ui/shared/Reckoning.svelte';
	import { knownTo, type Measurement } from '../read/measure';
	import FreeAmmonia from './FreeAmmonia.svelte';
	import OneResult from './OneResult.svelte';

	interface Props {
		desk: BenchDesk;
		measurement: Measurement;
		units: Readonly<Record<ParameterId, UnitId>>;
		before: BenchAnswer['before'];
		contexts: BenchOffer['contexts'];
		saving: boolean;
		fault: string | null;
		onsave: () => void;
		/** By how many minutes the times are to be put right, and doing so. */
		ahead: number;
		onright: () => void;
		onback: () => void;
		onslip: (slip: SlipCandidate) => void;
		onkeep: (slip: SlipCandidate) => void;
		onrepeat: () => void;
		/** Keep this result, then test the same sample once more, thinned or as it is. */
		onmore: (how: 'same' | 'thinned') => void;
	}
	let {
		desk,
		measurement,
		units,
		before,
		contexts,
		saving,
		fault,
		onsave,
		ahead,
		onright,
		onback,
		onslip,
		onkeep,
		onrepeat,
		onmore
	}: Props = $props();

	const method = $derived(desk.method!);
	const draft = $derived(desk.draft!);
	const unit = $derived(units[method.parameter]);
	/** Once a slip was answered the reading is not asked about again. */
	const asked = $derived(draft.slip ? [] : (measurement.slips?.ask ?? []));
	const asking = $derived(asked.length > 0);
	const effects = $derived(effectsOf(method, desk.progress?.deviations ?? []));
	const stepOf = (id: string) => stepsFor(method, draft.portion).find((s) => s.id === id);
	/** What would tell more than this number: a repeat where it was not as written or cannot tell, thinning at the top. */
	const offers = $derived.by(() => {
		const result = measurement.outcomes[0]?.outcome.result;
		const verdict = measurement.outcomes[0]?.verdict;
		const found: { text: string; button: string; act: () => void }[] = [];
		if (result?.kind === 'bound' && result.sense === '>') {
			found.push({
				text: 'The kit ends here. A thinned sample would show how much it is.',
				button: 'Keep it, thin the sample, test again',
				act: () => onmore('thinned')
			});
		}
		if (effects.some((e) => e.effect.repeat)) {
			found.push({
				text: 'A second test tells what it really is.',
				button: 'Keep it and repeat',
				act: () => onmore('same')
			});
		} else if (verdict?.expectation && !verdict.expectation.fits && !asking) {
			found.push({
				text: 'It does not fit what was expected. A second test tells which is right.',
				button: 'Keep it and repeat',
				act: () => onmore('same')
			});
		}
		return found;
	});
	const ageH = $derived((draft.startedAt - draft.drawnAt) / 3_600_000);

	const expected = $derived.by(() => {
		const verdict = measurement.outcomes[0]?.verdict?.expectation;
		const context = contexts[method.parameter]?.expected;
		const value = verdict?.value ?? context?.value;
		if (value === undefined) return 'the water was expected to be otherwise.';
		const m = inUnit(method.parameter, value, verdict?.sd ?? context?.uRandom ?? 1, unit);
		return `${m.value} ± ${m.plusMinus} ${UNITS[unit].symbol} was expected.`;
	});
	/** What was entered, said beside what the slip would make of it. */
	const entered = $derived(
		measurement.outcomes[0] && resultInUnit(measurement.outcomes[0].outcome.result, unit)
	);
	function key(event: KeyboardEvent): void {
		const typing = event.target instanceof HTMLTextAreaElement || event.target instanceof HTMLInputElement;
		const onButton =
			event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null;
		if (event.key === 'Escape') onback();
		else if (event.key === 'Enter' && !typing && !onButton && !asking && !saving) onsave();
	}
</script>

<svelte:window onkeydown={key} />

<div class="page grid max-w-[72rem]! gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1fr)_26rem]">
	<div>
		<p class="label">{method.name}, read {readingWords(method, measurement.reading)}</p>
		{#each measurement.outcomes as { outcome, verdict } (outcome.result.parameter)}
			<OneResult
				{outcome}
				{verdict}
				unit={units[outcome.result.parameter]}
				named={measurement.outcomes.length > 1}
				band={contexts[outcome.result.parameter]?.band ?? null}
				salinity={before.salinity ?? null}
				earlier={draft.earlier}
				quiet={asking}
			/>
			{#if outcome.result.parameter === 'ammonia'}
				<FreeAmmonia {method} reading={measurement.reading} {before} />
			{/if}
		{/each}

		{#if asking}
			<section aria-label="A question about the reading" class="mt-6 border-y-2 border-ink py-4">
				<p class="text-lg">
					{entered} would be a jump: {expected}
				</p>
				{#each asked as slip (slip)}
					<p class="mt-3 text-lg">
						{slipQuestion(
							slip.kind,
							slip.method,
							measurement.reading,
							slip.reading,
							slip.method.code === method.code ? null : slip.method.name
						)}
						Then {nameWithin(method.parameter)} would be
						<strong class="figures whitespace-nowrap">{resultInUnit(slip.result, unit)}</strong>.
					</p>
					<p class="mt-2">
						<Button kind={slip === asked[0] ? 'primary' : 'secondary'} onclick={() => onslip(slip)}
							>That is it</Button
						>
					</p>
				{/each}
				<div class="mt-4 flex flex-wrap gap-3">
					<Button onclick={() => asked[0] && onkeep(asked[0])}>No, as entered</Button>
					<Button onclick={onrepeat}>Test again</Button>
				</div>
			</section>
		{/if}
		{#if ageH > PARAMETERS[method.parameter].sampleKeepsH}
			<p class="mt-4 max-w-[34rem] font-semibold text-warn">
				The sample was older than {PARAMETERS[method.parameter].name} keeps. Take the value as a hint.
			</p>
		{/if}
		{#if effects.length > 0}
			<section aria-label="Not as written" class="mt-5 max-w-[38rem] border-l-4 border-line-strong pl-4">
				<p class="font-semibold">Not as written</p>
				<ul class="small mt-1">
					{#each effects as { deviation, effect }, i (i)}
						<li class="py-0.5">
							{deviationWords(deviation, stepOf(deviation.stepId))}
							<span class={effect.repeat ? 'font-semibold text-warn' : ''}>{effectWords(effect)}</span>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		{#if offers.length > 0}
			<div class="mt-4 flex flex-wrap items-center gap-3">
				{#each offers as offered (offered.text)}
					<span class="small max-w-[28rem] text-muted">{offered.text}</span>
					<Button onclick={offered.act}>{offered.button}</Button>
				{/each}
			</div>
		{/if}

		<TextArea
			label="Note"
			help="Poor light, a spill, a doubt; if there is one."
			class="mt-6 max-w-[34rem]"
			rows={2}
			maxlength={LONGEST.note}
			value={draft.note}
			oninput={(e) => desk.change({ note: e.currentTarget.value })}
		/>
		{#if fault}<div class="mt-4 max-w-[34rem]"><Fault text={fault} /></div>{/if}
		<div class="mt-5 flex flex-wrap gap-3">
			{#if fault && ahead > 0}
				<Button kind="primary" size="large" disabled={saving} onclick={onright}
					>{saving ? 'Saving …' : `Put right by ${ahead} ${ahead === 1 ? 'minute' : 'minutes'}`}</Button
				>
			{:else}
				<Button kind={asking ? 'secondary' : 'primary'} size="large" disabled={saving} onclick={onsave}
					>{saving ? 'Saving …' : fault ? 'Save again' : 'Save the result'}</Button
				>
			{/if}
			<Button size="large" onclick={onback}>Back to the reading</Button>
			<Button kind="quiet" size="large" onclick={onrepeat}>Test again instead</Button>
		</div>
		<p class="small mt-6 max-w-[34rem] text-muted">
			Then rinse what touched a reagent, close the bottles, wash your hands. {LABEL_FIRST}
		</p>
	</div>

	<div>
		{#each measurement.outcomes as { outcome }, which (outcome.result.parameter)}
			<Reckoning
				{method}
				reading={measurement.reading}
				kit={knownTo(draft)}
				{outcome}
				{which}
				unit={units[outcome.result.parameter]}
				named={measurement.outcomes.length > 1}
			/>
		{/each}
		<HelpTopics parameter={method.parameter} form={measurement.reading.form} />
	</div>
</div>
