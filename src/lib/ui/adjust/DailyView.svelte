<script lang="ts">
	import {
		balanceOf,
		dailyStep,
		heldByChanges,
		limewaterDose,
		offeredFor,
		reactorDose,
		reactorFlow,
		saltCreep,
		SCHOOLS,
		tunedDose,
		type Known,
		type School,
		type StrangeMove
	} from '$lib/core/correction';
	import type { NamedSupplement } from '$lib/core/judgement/plan';
	import { typedNumber } from '$lib/core/numeric';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { amountWords, askWords } from '$lib/format/adjust/adjust';
	import { fixed, plain } from '$lib/format/number';
	import { ratePerDay, symbolAfter } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import Dangers from './Dangers.svelte';

	interface Props {
		waterId: string;
		use: { readonly alkalinity: Known; readonly calcium: Known } | null;
		volumeL: Known | null;
		alkalinity: Known | null;
		salinity: Known | null;
		running: readonly {
			readonly name: string;
			readonly perDay: number;
			readonly unit: 'ml' | 'g';
			readonly brings: readonly { readonly parameter: string; readonly perDay: number }[];
		}[];
		strange: readonly StrangeMove[];
		limits: Readonly<
			Record<'alkalinity' | 'calcium', { readonly up: number | null; readonly down: number | null }>
		>;
		supplements: readonly NamedSupplement[];
		wish: Readonly<Record<string, string>>;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let {
		waterId,
		use,
		volumeL,
		alkalinity,
		salinity,
		running,
		strange,
		limits,
		supplements,
		wish,
		units
	}: Props = $props();

	const NAMES: Readonly<Record<School, string>> = {
		'two-part': 'Balanced two-part',
		limewater: 'Limewater for what evaporates',
		reactor: 'Calcium reactor',
		'water-changes': 'Water changes alone',
		'single-salts': 'Single salts'
	};
	let school = $derived<School>(SCHOOLS.find((s) => s === wish.school) ?? 'two-part');
	const number = (name: string, usual: number) => {
		const n = typedNumber(wish[name] ?? '');
		return n !== null && n >= 0 && Number.isFinite(n) ? n : usual;
	};
	const raising = (parameter: 'alkalinity' | 'calcium') =>
		supplements.flatMap((s) => {
			if (s.what.kind === 'table' || !offeredFor(s.what).includes(parameter)) return [];
			if (s.id === 'limewater') return [];
			return [{ id: s.id, name: s.name, what: s.what }];
		});
	const chosen = (parameter: 'alkalinity' | 'calcium') => {
		const list = raising(parameter);
		return list.find((s) => s.id === wish[`with.${parameter}`]) ?? list[0]!;
	};
	const rate = (parameter: 'alkalinity' | 'calcium', k: Known) => {
		const m = ratePerDay(parameter, k.value, k.u, units[parameter]);
		return `${m.value} ± ${m.plusMinus}${symbolAfter(units[parameter])} a day`;
	};
	const brought = (parameter: string) =>
		running.reduce((sum, r) => sum + (r.brings.find((b) => b.parameter === parameter)?.perDay ?? 0), 0);
	/** Asked until somebody has looked. */
	const asked = $derived(
		wish.looked === 'yes'
			? []
			: strange.filter((m) => m.parameter === 'alkalinity' || m.parameter === 'calcium')
	);
	const stepOf = (parameter: 'alkalinity' | 'calcium') =>
		dailyStep(brought(parameter), use![parameter], limits[parameter]);
	const STEP_WORDS = {
		leave: 'That is what runs: no difference can be told. Leave it, and go on testing.',
		whole: '',
		part: 'That is as far as it is set at once. Test within two days, then come back here for the next step.'
	} as const;
	const steps = $derived(
		use && volumeL ? (['alkalinity', 'calcium'] as const).map((p) => ({ parameter: p, step: stepOf(p) })) : []
	);
	const balance = $derived(
		brought('alkalinity') > 0 || brought('calcium') > 0
			? balanceOf(brought('alkalinity'), brought('calcium'))
			: null
	);
	const creep = $derived(
		volumeL && brought('alkalinity') > 0
			? saltCreep(brought('alkalinity'), {
					volumeL: volumeL.value,
					salinity: salinity?.value ?? 35,
					temperatureC: 25,
					aim: 35
				})
			: null
	);
	const lime = $derived(
		use && volumeL ? limewaterDose(use, volumeL.value, number('evaporates', volumeL.value / 100)) : null
	);
	const reactor = $derived.by(() => {
		if (!use || !volumeL || !alkalinity) return null;
		const effluent = number('effluent', 25);
		const flow = number('flow', 0);
		if (effluent <= alkalinity.value) return { kind: 'poor' as const };
		return {
			kind: 'ok' as const,
			needs: reactorFlow(use.alkalinity.value, effluent, alkalinity.value, volumeL.value),
			brings: reactorDose(effluent, alkalinity.value, flow, volumeL.value),
			flow
		};
	});
	const changes = $derived(
		use
			? heldByChanges(
					Math.max(0, use.alkalinity.value),
					number('fresh', 8.5),
					Math.max(0.01, Math.min(1, number('share', 10) / 100)),
					Math.max(1, number('every', 7))
				)
			: null
	);
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">The daily dose</h1>
	{#if !use || !volumeL}
		<p class="mt-3 max-w-[44rem]">
			A dose is tuned to what is used. {volumeL
				? 'Test alkalinity and calcium twice, some days apart, and it stands here.'
				: 'The net volume of this water is not known yet.'}
		</p>
	{:else}
		<p class="figures mt-2 text-lg">
			Used: alkalinity {rate('alkalinity', use.alkalinity)}, calcium {rate('calcium', use.calcium)}.
		</p>
		{#if running.length > 0}
			<ul class="small figures mt-2 border-b">
				{#each running as r (r.name)}
					<li class="flex flex-wrap justify-between gap-x-6 border-t py-2">
						<span>Runs: <strong>{r.name}</strong>, {amountWords(r.perDay, r.unit)} a day</span>
						<span class="text-muted"
							>{r.brings
								.map(
									(b) =>
										`${nameWithin(b.parameter as ParameterId)} +${plain(Number(b.perDay.toPrecision(2)))}${symbolAfter(PARAMETERS[b.parameter as ParameterId].canonicalUnit)}`
								)
								.join(', ')}</span
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if balance && balance.balance !== 'balanced'}
			<p class="mt-3 border-l-4 border-warn pl-3">
				<strong class="text-warn">Out of balance.</strong>
				{balance.balance === 'calcium-short'
					? 'Less calcium comes in than the alkalinity takes with it'
					: 'More calcium comes in than the alkalinity takes with it'}: about {plain(
					Math.abs(Math.round(balance.calciumPerMonth))
				)} mg/L a month. Skeletons take 7.15 mg/L of calcium for each dKH.
			</p>
		{/if}
		{#if creep?.told}
			<p class="mt-3 max-w-[46rem]">
				Salt is left behind: salinity creeps up by about {fixed(creep.perMonth, 2)} a month if these are chlorides
				and sodium carbonates. Exchanging {litresWords(Number(creep.exchangeLPerMonth.toPrecision(2)))} a month
				for purified water, beyond what evaporates, takes it back.
			</p>
		{/if}
		<form method="get" class="mt-6 grid gap-5 border-t pt-5 sm:grid-cols-2">
			<Choice
				name="school"
				label="How it is replaced"
				value={school}
				items={SCHOOLS.map((value) => ({ value, name: NAMES[value] }))}
				onpick={(picked) => (school = SCHOOLS.find((s) => s === picked) ?? 'two-part')}
			/>
			{#if school === 'two-part' || school === 'single-salts'}
				{#each ['alkalinity', 'calcium'] as const as p (p)}
					<Choice
						name="with.{p}"
						label="{PARAMETERS[p].name} with"
						value={chosen(p).id}
						items={raising(p).map((s) => ({ value: s.id, name: s.name }))}
					/>
				{/each}
			{:else if school === 'limewater'}
				<LitresField
					name="evaporates"
					label="Evaporates a day"
					value={wish.evaporates ?? plain(Number((volumeL.value / 100).toPrecision(2)))}
				/>
			{:else if school === 'reactor'}
				<Field
					name="effluent"
					label="Alkalinity of the effluent"
					unit="dKH"
					inputmode="decimal"
					value={wish.effluent ?? '25'}
				/>
				<Field name="flow" label="Flow now" unit="mL/min" inputmode="decimal" value={wish.flow ?? ''} />
			{:else}
				<Field name="share" label="Each change" unit="%" inputmode="decimal" value={wish.share ?? '10'} />
				<Field name="every" label="Every" unit="days" inputmode="numeric" value={wish.every ?? '7'} />
				<Field
					name="fresh"
					label="Alkalinity of new water"
					unit="dKH"
					inputmode="decimal"
					value={wish.fresh ?? '8.5'}
				/>
			{/if}
			{#if asked.length > 0}
				<Checkbox name="looked" value="yes" class="min-h-11 sm:col-span-2"
					>I have looked: pumps run, bottles are not empty, nothing else is added.</Checkbox
				>
			{:else if wish.looked === 'yes'}<Hidden name="looked" value="yes" />{/if}
			<div class="self-end"><Button type="submit">Reckon it</Button></div>
		</form>
		{#each asked as move (move.parameter)}
			<p class="mt-4 max-w-[46rem] border-l-4 border-warn pl-3">{askWords(move, units)}</p>
		{/each}
		{#if asked.length === 0}
			<div class="figures mt-6 text-xl" role="status">
				{#if school === 'two-part' || school === 'single-salts'}
					{#each ['alkalinity', 'calcium'] as const as p (p)}
						{@const s = chosen(p)}
						{@const dose = tunedDose(s.what, p, use[p], volumeL)}
						{@const step = stepOf(p)}
						{@const now = tunedDose(s.what, p, { value: step.risePerDay, u: use[p].u }, volumeL)}
						{@const unit =
							s.what.kind === 'salt' || (s.what.kind === 'product' && s.what.unit === 'g') ? 'g' : 'ml'}
						<p class="border-t py-3">
							{amountWords(now.perDay, unit)} of {s.name} a day
							{#if step.how !== 'whole'}<span class="block text-base">{STEP_WORDS[step.how]}</span>{/if}
							<span class="small block text-muted"
								>what is used asks for {amountWords(dose.perDay, unit)}, between {amountWords(dose.low, unit)} and
								{amountWords(dose.high, unit)}, as far as use, strength and volume are known</span
							>
						</p>
					{/each}
				{:else if school === 'limewater' && lime}
					<p class="border-t py-3">
						{litresWords(Number(lime.litresPerDay.toFixed(2)))} of saturated limewater a day
						<span class="small block text-muted"
							>{lime.enough
								? 'Within what evaporates.'
								: `All that evaporates, and it is not enough: ${fixed(lime.shortDkh, 2)} dKH a day are left for something else.`}
							At most it brings {fixed(lime.most.alkalinityDkh, 2)} dKH and {fixed(
								lime.most.calciumMgPerL,
								1
							)} mg/L calcium a day.</span
						>
					</p>
				{:else if school === 'reactor' && reactor}
					<p class="border-t py-3">
						{#if reactor.kind === 'poor'}
							The effluent holds no more than the water: it brings nothing. Lower its pH, or slow its flow.
						{:else}
							{fixed(reactor.needs, 1)} mL a minute make up for what is used
							{#if reactor.flow > 0}<span class="small block text-muted"
									>{fixed(reactor.flow, 1)} mL a minute bring {fixed(reactor.brings.alkalinityDkh, 2)} dKH and {fixed(
										reactor.brings.calciumMgPerL,
										1
									)} mg/L calcium a day.</span
								>{/if}
						{/if}
					</p>
				{:else if changes}
					<p class="border-t py-3">
						In the long run between {fixed(Math.max(0, changes.before), 1)} and {fixed(
							Math.max(0, changes.after),
							1
						)} dKH
						<span class="small block text-muted"
							>{alkalinity && changes.before < alkalinity.value - 0.5
								? 'Less than it holds now: changes alone do not keep up with what is used.'
								: 'Changes alone hold it.'}</span
						>
					</p>
				{/if}
			</div>
			{#if school === 'limewater' || school === 'reactor'}
				{#each steps.filter((s) => s.step.how === 'part') as { parameter, step } (parameter)}
					<p class="mt-2 max-w-[46rem] border-l-4 border-ink pl-3">
						Not all at once: with what runs now {nameWithin(parameter)} may be given {plain(
							Number(step.risePerDay.toPrecision(2))
						)}{symbolAfter(PARAMETERS[parameter].canonicalUnit)} a day in all from today. Test within two days,
						then the next step.
					</p>
				{/each}
			{/if}
			<p class="mt-4">
				<Button href="/waters/{waterId}/log/new?kind=recurring-dose">Enter the new daily dose</Button>
			</p>
		{/if}
	{/if}
	<Dangers dangers={['concentrates', 'caustic', 'slowly', 'children', 'label']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
