<script lang="ts">
	import type { KnownBefore } from '$lib/contract/bench';
	import { repeatWouldTell, type Band, type Verdict } from '$lib/core/judgement';
	import { PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import { pointOf, type Outcome, type TestResult } from '$lib/core/reading';
	import { atReferenceSalinity } from '$lib/core/seawater';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import { correctionWords } from '$lib/format/result/arithmetic';
	import { headlineOf, inUnit, resultInUnit } from '$lib/format/quantity';
	import {
		boundSentence,
		expectationSentence,
		isWarning,
		verdictSentence
	} from '$lib/format/judgement/verdict';
	import { together } from './repeats';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';

	interface Props {
		outcome: Outcome;
		verdict: Verdict | null;
		unit: UnitId;
		/** More than one result came of the run: each bears its name. */
		named: boolean;
		band: Band | null;
		salinity: KnownBefore | null;
		/** What the same sample gave before. */
		earlier: readonly (readonly TestResult[])[];
		/** A question about a slip stands below: nothing is made of the surprise yet. */
		quiet: boolean;
	}
	let { outcome, verdict, unit, named, band, salinity, earlier, quiet }: Props = $props();

	const { result } = $derived(outcome);
	/** What the kit said before its check put it right. */
	const checked = $derived(outcome.arithmetic.find((l) => l.kind === 'check') ?? null);
	const head = $derived(headlineOf(result, unit));
	const definition = $derived(PARAMETERS[result.parameter]);
	const point = $derived(pointOf(result));
	const repeats = $derived(together(result, earlier));
	const helps = $derived(
		point !== null && repeats === null && repeatWouldTell(point.value, point.uRandom, point.uCommon, band)
	);
	const atS35 = $derived.by(() => {
		const brought =
			point && salinity && definition.followsSalinity ? atReferenceSalinity(point, salinity) : null;
		return brought && inUnit(result.parameter, brought.value, brought.u, unit);
	});
</script>

<div class="mt-2 {named ? 'mb-6' : ''}">
	<h1 class="figures">
		<span class={named ? 'block text-xl font-normal' : 'visually-hidden'}>{definition.name}</span>
		<span class="text-6xl leading-none font-bold tracking-tight md:text-7xl">{head.large}</span>
		<span class="pl-2 text-2xl font-normal text-muted md:text-3xl">{head.small}</span>
	</h1>
	{#if verdict}
		<p class="mt-4 text-xl">
			<strong class={isWarning(verdict.grade) ? 'text-warn' : ''}
				>{verdictSentence(result.parameter, verdict, unit)}</strong
			>
			{#if !quiet}{expectationSentence(result.parameter, verdict, unit)}{/if}
			<HelpMark topic="grades" about="how it is judged" />
		</p>
	{:else if result.kind === 'bound'}
		<p class="mt-4 max-w-[36rem] text-xl">{boundSentence(result, band, unit)}</p>
	{/if}
	{#if checked}
		<p class="figures mt-3">
			The kit reads <strong>{inUnit(result.parameter, checked.read, point?.uRandom ?? 1, unit).value}</strong
			>; its check says
			{correctionWords(checked.correction, result.parameter, unit)}.
		</p>
	{/if}
	{#if repeats}
		<p class="figures mt-3 max-w-[36rem]">
			Of this sample so far: {repeats.values
				.map((v) => inUnit(result.parameter, v, point?.uRandom ?? 1, unit).value)
				.join(', ')}
			{UNITS[unit].symbol}.
			{#if repeats.outlier !== null}
				<strong>The {['first', 'second', 'third', 'fourth'][repeats.outlier]} stands apart;</strong> the middle
				one is taken.
			{:else if !repeats.acceptable}
				<strong>They are further apart than this kit’s repeats should be.</strong> A third test tells which.
			{/if}
			{#if repeats.combined}Together <strong>{resultInUnit(repeats.combined, unit)}</strong>.{/if}
		</p>
	{:else if helps}
		<p class="mt-3 max-w-[36rem]">
			A second test of the same sample could tell: with two, the verdict would be another.
		</p>
	{/if}
	{#if atS35 && salinity}
		<p class="figures small mt-3 text-muted">
			At S = 35: {atS35.value} ± {atS35.plusMinus}
			{UNITS[unit].symbol}, from the salinity read last, {inUnit(
				'salinity',
				salinity.value,
				standardUncertaintyOf(salinity),
				'psu'
			).value} PSU.
			{#if Math.abs(salinity.value - 35) > 1.5}Put salinity right first: the major ions go with it.{/if}
		</p>
	{/if}
</div>
