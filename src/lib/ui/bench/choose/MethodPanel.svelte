<script lang="ts">
	import { untrack } from 'svelte';
	import type { BenchAnswer, BenchKit, BenchOffer } from '$lib/contract/bench';
	import { LONGEST } from '$lib/contract/lengths';
	import {
		portionsOf,
		sampleOf,
		stepsFor,
		timesOf,
		titrationsOf,
		type Hazard,
		type Portion
	} from '$lib/core/method';
	import {
		convertSpan,
		nameWithin,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { aboutMinutes, ago } from '$lib/format/date';
	import { CAUTIONS, LABEL_FIRST } from '$lib/format/bench/hazard';
	import { plain } from '$lib/format/number';
	import { inUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Radio from '$lib/ui/kit/Radio.svelte';
	import { thinned, type StartChoice } from '../make-draft';
	import { resolutionOf, typicalUncertainty } from '../read/measure';
	import type { BenchAsked } from './asked';

	interface Props {
		offer: BenchOffer;
		bench: Pick<BenchAnswer, 'kits' | 'standards'>;
		asked: Pick<BenchAsked, 'kit' | 'standard'>;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		onstart: (choice: StartChoice) => void;
		/** Beside other tests, in one session. */
		onadd: (choice: StartChoice) => void;
	}
	let { offer, bench, asked, units, timeZone, now, onstart, onadd }: Props = $props();

	let portion = $state<Portion>('full');
	let factor = $state('1');
	let ageH = $state('0');
	let keptHow = $state('');
	const kits = $derived(bench.kits.filter((k) => k.methodCode === offer.method.code));
	let kitId = $state(
		untrack(() => {
			const own = bench.kits.filter((k) => k.methodCode === offer.method.code);
			return (own.find((k) => k.id === asked.kit) ?? own[0])?.id ?? '';
		})
	);
	let standardId = $state(untrack(() => asked.standard ?? ''));
	const standard = $derived(bench.standards.find((s) => s.id === standardId) ?? null);
	const lotName = (k: BenchKit) =>
		[
			k.name,
			k.lotCode ? `lot ${k.lotCode}` : '',
			Object.keys(k.corrections).length > 0 ? 'corrected by its check' : ''
		]
			.filter(Boolean)
			.join(', ');

	const method = $derived(offer.method);
	const definition = $derived(PARAMETERS[method.parameter]);
	const unit = $derived(units[method.parameter]);
	const times = $derived(timesOf(stepsFor(method, portion)));
	const hazards = $derived<Hazard[]>([...new Set(method.reagents.flatMap((r) => r.hazards))]);
	const oneIs = $derived(titrationsOf(method)[0]?.meter.kind === 'drops' ? 'one drop' : 'one mark');
	const AGES = [
		['0', 'now'],
		['1', 'about an hour ago'],
		['4', 'a few hours ago'],
		['12', 'half a day ago'],
		['24', 'a day ago'],
		['72', 'three days ago'],
		['168', 'a week ago']
	] as const;
	const tooOld = $derived(Number(ageH) > definition.sampleKeepsH);
	const dilutionChoices = $derived(
		method.dilutions.length > 0 ? method.dilutions : method.parameter === 'ph' ? [] : [2, 5, 10]
	);
	const thinnable = $derived(
		method.sampleMl !== null && method.kind !== 'difference' && dilutionChoices.length > 0
	);

	function facts(p: Portion) {
		const { band, expected } = offer.contexts[method.parameter] ?? { band: null, expected: null };
		const perMark = resolutionOf(method, p);
		const typical = expected?.value ?? band?.aim ?? band?.low ?? (perMark ?? 0) * 50;
		const u = typicalUncertainty(method, p, typical);
		const shown = perMark === null ? null : convertSpan(perMark, definition.canonicalUnit, unit);
		return [
			shown === null ? '' : `${oneIs} is ${plain(Number(shown.toPrecision(2)))} ${UNITS[unit].symbol}`,
			u === null ? '' : `the result about ± ${inUnit(method.parameter, typical, u, unit).plusMinus}`
		]
			.filter(Boolean)
			.join('; ');
	}
	const chosen = (): StartChoice => ({
		portion,
		dilution: thinned(method, portion, Number(factor)),
		ageH: Number(ageH),
		keptHow: keptHow.trim(),
		kit: kits.find((k) => k.id === kitId) ?? null,
		standard
	});
</script>

<section aria-labelledby="chosen" class="border-2 border-ink p-5">
	<h2 id="chosen" class="text-2xl leading-tight">{method.name}</h2>
	<p class="mt-1 text-muted">
		{method.steps.length}
		{method.steps.length === 1 ? 'step' : 'steps'}, {aboutMinutes(times.totalS)}{times.totalS - times.handsS >
		20
			? ` in all, ${aboutMinutes(times.handsS)} with your hands`
			: ''}.
		{offer.lastAt ? `Last read ${ago(offer.lastAt, timeZone, now)}.` : 'Not read from this water yet.'}
	</p>

	{#if portionsOf(method).length > 1}
		<fieldset class="mt-4">
			<legend class="visually-hidden">Sample for {method.name}</legend>
			<div class="grid gap-2">
				{#each portionsOf(method) as p (p)}
					<Radio
						name="portion-{method.code}"
						value={p}
						bind:chosen={() => portion, (picked) => (portion = picked === 'half' ? 'half' : 'full')}
						class="rounded-md border-2 p-3 {portion === p ? 'border-ink' : 'border-line'}"
					>
						<strong class="figures"
							>{p === 'full' ? 'Full' : 'Half'} sample, {plain(sampleOf(method, p) ?? 0)} mL</strong
						>
						<span class="small figures block text-muted"
							>{facts(p)}{p === 'half' ? '; half the reagent' : ''}</span
						>
					</Radio>
				{/each}
			</div>
		</fieldset>
	{:else if facts('full')}
		<p class="small figures mt-2 text-muted">
			Sample {plain(sampleOf(method, 'full') ?? 0)} mL; {facts('full')}
		</p>
	{/if}

	<div class="mt-4">
		<Button kind="primary" size="large" class="w-full" onclick={() => onstart(chosen())}
			>Start {nameWithin(method.parameter)}{standard ? ' of the standard' : ''}</Button
		>
		<Button class="mt-2 w-full" onclick={() => onadd(chosen())}>Add it to a session</Button>
	</div>
	{#if standard}
		<p class="mt-3 font-semibold">
			This tests {standard.name}, not the water: rinse the vial with the standard last.
			<Button kind="text" class="min-h-8" onclick={() => (standardId = '')}>Test the water instead</Button>
		</p>
	{/if}
	{#if kits.length > 0}
		<Choice
			label="With"
			quiet
			large
			class="mt-3"
			bind:value={kitId}
			items={[
				...kits.map((k) => ({ value: k.id, name: lotName(k) })),
				{ value: '', name: 'another one, not on the shelf' }
			]}
		/>
	{/if}

	<Disclosure
		class="small mt-4"
		open={ageH !== '0' || factor !== '1'}
		title="An older sample, or a thinned one"
		look="link min-h-8"
	>
		<div class="mt-2 grid gap-3">
			<Choice
				label="The sample was drawn"
				quiet
				large
				bind:value={ageH}
				items={AGES.map(([hours, words]) => ({ value: hours, name: words }))}
			/>
			{#if ageH !== '0'}
				<Field
					label="Kept how"
					quiet
					large
					bind:value={keptHow}
					maxlength={LONGEST.source}
					placeholder="closed bottle, in the dark"
				/>
			{/if}
			{#if tooOld}
				<p class="font-semibold text-warn">
					A sample this old no longer tells the {definition.name === 'pH'
						? 'pH'
						: definition.name.toLowerCase()} of the water. Draw a fresh one if you can; the age is kept with the
					result.
				</p>
			{/if}
			{#if thinnable}
				<Choice
					label="Thinned with water that holds none of it"
					quiet
					large
					bind:value={factor}
					items={[
						{ value: '1', name: 'not thinned' },
						...dilutionChoices.map((parts) => ({
							value: String(parts),
							name: `1:${plain(parts)}, one part sample in ${plain(parts)} in all`
						}))
					]}
				/>
			{/if}
		</div>
	</Disclosure>
	<Disclosure class="small mt-2" title="What you need, and cautions" look="link min-h-8">
		<p class="mt-2">
			{[...method.equipment, 'purified water', 'a timer', 'a white background'].join(', ')}.
		</p>
		{#if method.reagents.length > 0}
			<ul class="mt-2 list-disc pl-5">
				{#each method.reagents as reagent (reagent.label)}
					<li>{reagent.label}: {reagent.what}</li>
				{/each}
			</ul>
			<p class="mt-2">
				<strong>Cautions.</strong>
				{hazards.map((h) => CAUTIONS[h]).join(' ')}
				{LABEL_FIRST}
			</p>
		{/if}
		<p class="mt-2">
			Where a laboratory may be asked later, keep a closed bottle of the same water, full to the brim, cool
			and dark.
		</p>
	</Disclosure>
</section>
