<script lang="ts">
	import { untrack } from 'svelte';
	import { readDailyWish } from '$lib/contract/correction-wishes';
	import type { Supplies } from '$lib/contract/supplies';
	import {
		SCHOOLS,
		TUNED,
		type DailyGiven,
		type DailyReckoned,
		type DailyWish,
		type School,
		type StrangeMove,
		type Tuned
	} from '$lib/core/correction';
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
	import Fault from '$lib/ui/shared/Fault.svelte';
	import AheadChart from './AheadChart.svelte';
	import Dangers from './Dangers.svelte';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';
	import { Reckoned } from './Reckoned.svelte';

	interface Props {
		waterId: string;
		given: DailyGiven;
		bands: Readonly<Record<Tuned, { readonly low: number | null; readonly high: number | null } | null>>;
		running: readonly {
			readonly name: string;
			readonly perDay: number;
			readonly unit: 'ml' | 'g';
			readonly brings: readonly { readonly parameter: string; readonly perDay: number }[];
		}[];
		strange: readonly StrangeMove[];
		supplies: Supplies;
		asked: {
			readonly wish: DailyWish;
			readonly wrong: readonly string[];
			readonly query: string;
			readonly looked: boolean;
		};
		answer: DailyReckoned;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { waterId, given, bands, running, strange, supplies, asked, answer, units }: Props = $props();

	const NAMES: Readonly<Record<School, string>> = {
		'two-part': 'Balanced two-part',
		limewater: 'Limewater for what evaporates',
		reactor: 'Calcium reactor',
		'water-changes': 'Water changes alone',
		'single-salts': 'Single salts'
	};
	const STEP_WORDS = {
		leave: 'That is what runs: no difference can be told. Leave it, and go on testing.',
		whole: '',
		part: 'That is as far as it is set at once. Test within two days, then come back here for the next step.'
	} as const;

	/** What stands in the form; what is told answers a wish of its own, which may be the one before. */
	let form = $state.raw(untrack(() => asked));
	const reckoned = new Reckoned<'daily', DailyWish>(() => ({ asked: asked.wish, answer }));
	const wish = $derived(reckoned.told.asked);
	const { balance, creep, doses, lime, reactor, changes, ahead } = $derived(reckoned.told.answer);
	/** What stood in the fields when the page came. */
	const begun = untrack(() => new URLSearchParams(asked.query));

	function ask(query: URLSearchParams): void {
		const read = readDailyWish(query, given.volumeL.value, supplies);
		form = { ...read, query: `?${query}`, looked: query.get('looked') === 'yes' };
		// What could not be read would be answered as if something else had been asked.
		if (read.wrong.length === 0) reckoned.ask({ kind: 'daily', given, wish: read.wish }, read.wish);
	}
	const rate = (parameter: Tuned) => {
		const k = given.use[parameter];
		const m = ratePerDay(parameter, k.value, k.u, units[parameter]);
		return `${m.value} ± ${m.plusMinus}${symbolAfter(units[parameter])} a day`;
	};
	const asksFirst = $derived(strange.filter((m) => TUNED.some((p) => p === m.parameter)));
	/** Asked until somebody has looked. */
	const open = $derived(form.looked ? [] : asksFirst);
	const supplyIn = (p: Tuned, { with: chosen }: DailyWish) =>
		supplies[p].find((s) => s.what === chosen[p]) ?? supplies[p][0]!;
	/** Of what is told. */
	const supplyOf = (p: Tuned) => supplyIn(p, wish);
	const unitOf = (p: Tuned) => {
		const { what } = supplyOf(p);
		return what.kind === 'salt' || (what.kind === 'product' && what.unit === 'g') ? 'g' : 'ml';
	};
	const isTunedBy = (school: School) => school === 'two-part' || school === 'single-salts';
	const school = $derived(wish.school);
	const isTuned = $derived(isTunedBy(school));
</script>

<main class="page">
	<h1 class="text-3xl">The daily dose</h1>
	<p class="figures mt-2 text-lg">
		Used: alkalinity {rate('alkalinity')}, calcium {rate('calcium')}.
	</p>
	<div class="mt-5 grid gap-x-10 gap-y-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
		<div>
			<LiveForm onask={ask} class="grid gap-5">
				<Choice
					name="school"
					label="How it is replaced"
					value={form.wish.school}
					items={SCHOOLS.map((value) => ({ value, name: NAMES[value] }))}
				/>
				{#if isTunedBy(form.wish.school)}
					{#each TUNED as p (p)}
						<Choice
							name="with.{p}"
							label="{PARAMETERS[p].name} with"
							value={supplyIn(p, form.wish).id}
							items={supplies[p].map((s) => ({ value: s.id, name: s.name }))}
						/>
					{/each}
				{:else if form.wish.school === 'limewater'}
					<LitresField
						name="evaporates"
						label="Evaporates a day"
						value={begun.get('evaporates') ?? plain(Number((given.volumeL.value / 100).toPrecision(2)))}
					/>
				{:else if form.wish.school === 'reactor'}
					<Field
						name="effluent"
						label="Alkalinity of the effluent"
						unit="dKH"
						inputmode="decimal"
						value={begun.get('effluent') ?? '25'}
					/>
					<Field
						name="flow"
						label="Flow now"
						unit="mL/min"
						inputmode="decimal"
						value={begun.get('flow') ?? ''}
					/>
				{:else}
					<Field
						name="share"
						label="Each change"
						unit="%"
						inputmode="decimal"
						value={begun.get('share') ?? '10'}
					/>
					<Field
						name="every"
						label="Every"
						unit="days"
						inputmode="numeric"
						value={begun.get('every') ?? '7'}
					/>
					<Field
						name="fresh"
						label="Alkalinity of new water"
						unit="dKH"
						inputmode="decimal"
						value={begun.get('fresh') ?? '8.5'}
					/>
				{/if}
				{#if asksFirst.length > 0}
					<Checkbox name="looked" value="yes" checked={untrack(() => asked.looked)} class="min-h-11"
						>I have looked: pumps run, bottles are not empty, nothing else is added.</Checkbox
					>
				{:else if asked.looked}<Hidden name="looked" value="yes" />{/if}
			</LiveForm>
			{#if form.wrong.length > 0 || reckoned.trouble}
				<div class="mt-5">
					<Fault
						text={reckoned.trouble ||
							`These are no numbers that fit: ${form.wrong.join(', ')}. Until they do, what stands beside does not answer them.`}
					/>
				</div>
			{/if}
		</div>
		<div class="min-w-0">
			{#each open as move (move.parameter)}
				<p class="mb-4 max-w-[46rem] border-l-4 border-warn pl-3">{askWords(move, units)}</p>
			{/each}
			{#if open.length === 0}
				<div class="figures text-xl" role="status">
					{#if isTuned}
						{#each doses as { parameter, asked: full, now: set, step } (parameter)}
							{@const unit = unitOf(parameter)}
							<p class="border-t py-3 first:border-0 first:pt-0">
								{amountWords(set.perDay, unit)} of {supplyOf(parameter).name} a day
								{#if step.how !== 'whole'}<span class="block text-base">{STEP_WORDS[step.how]}</span>{/if}
								<span class="small block text-muted"
									>what is used asks for {amountWords(full.perDay, unit)}, between {amountWords(
										full.low,
										unit
									)} and
									{amountWords(full.high, unit)}, as far as use, strength and volume are known</span
								>
							</p>
						{/each}
					{:else if school === 'limewater'}
						<p class="pb-3">
							{litresWords(Number(lime.litresPerDay.toFixed(2)))} of saturated limewater a day
							<span class="small block text-muted"
								>{litresWords(wish.evaporatesL)} evaporate a day. {lime.enough
									? 'It is within that.'
									: `All that evaporates, and it is not enough: ${fixed(lime.shortDkh, 2)} dKH a day are left for something else.`}
								At most it brings {fixed(lime.most.alkalinityDkh, 2)} dKH and {fixed(
									lime.most.calciumMgPerL,
									1
								)} mg/L calcium a day.</span
							>
						</p>
					{:else if school === 'reactor'}
						<p class="pb-3">
							{#if !reactor}
								{given.levels.alkalinity
									? 'The effluent holds no more than the water: it brings nothing. Lower its pH, or slow its flow.'
									: 'Test the alkalinity of the water, and it stands here.'}
							{:else}
								{fixed(reactor.needsMlPerMinute, 1)} mL a minute make up for what is used, with {plain(
									wish.effluentDkh
								)} dKH in the effluent
								{#if wish.flowMlPerMinute > 0}<span class="small block text-muted"
										>{fixed(wish.flowMlPerMinute, 1)} mL a minute bring {fixed(
											reactor.brings.alkalinityDkh,
											2
										)} dKH and {fixed(reactor.brings.calciumMgPerL, 1)} mg/L calcium a day.</span
									>{/if}
							{/if}
						</p>
					{:else}
						<p class="pb-3">
							In the long run between {fixed(Math.max(0, changes.before), 1)} and {fixed(
								Math.max(0, changes.after),
								1
							)} dKH, with {plain(Number((wish.changeShare * 100).toPrecision(3)))} % changed every {plain(
								wish.everyDays
							)} days for water of {plain(wish.freshDkh)} dKH
							<span class="small block text-muted"
								>{given.levels.alkalinity && changes.before < given.levels.alkalinity.value - 0.5
									? 'Less than it holds now: changes alone do not keep up with what is used.'
									: 'Changes alone hold it.'}</span
							>
						</p>
					{/if}
				</div>
				{#if school === 'limewater' || school === 'reactor'}
					{#each doses.filter((d) => d.step.how === 'part') as { parameter, step } (parameter)}
						<p class="mt-2 max-w-[46rem] border-l-4 border-ink pl-3">
							Not all at once: with what runs now {nameWithin(parameter)} may be given {plain(
								Number(step.risePerDay.toPrecision(2))
							)}{symbolAfter(PARAMETERS[parameter].canonicalUnit)} a day in all from today. Test within two days,
							then the next step.
						</p>
					{/each}
				{/if}
				{#if isTuned && ahead.length > 0}
					<div class="mt-4 grid gap-6 border-t pt-4 sm:grid-cols-2">
						{#each ahead as one (one.parameter)}
							<AheadChart ahead={one} band={bands[one.parameter]} unit={units[one.parameter]} />
						{/each}
					</div>
					<p class="small mt-1 text-muted">
						Full line: with this dose, its 95 % interval around it. Broken: as it runs now. Grey: what is
						wanted.
					</p>
				{/if}
				<p class="mt-4">
					<Button href="/waters/{waterId}/log/new?kind=recurring-dose">Enter the new daily dose</Button>
				</p>
			{/if}
			<h2 class="label mt-8">What runs</h2>
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
			{#if creep}
				<p class="mt-3 max-w-[46rem]">
					Salt is left behind: salinity creeps up by about {fixed(creep.perMonth, 2)} a month if these are chlorides
					and sodium carbonates. Exchanging {litresWords(Number(creep.exchangeLPerMonth.toPrecision(2)))} a month
					for purified water, beyond what evaporates, takes it back.
				</p>
			{/if}
			{#if running.length === 0}<p class="small mt-2 text-muted">
					No daily dose was entered. Enter it once, and everything here reckons with it.
				</p>{/if}
		</div>
	</div>
	<Dangers dangers={['concentrates', 'caustic', 'slowly', 'children', 'label']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
