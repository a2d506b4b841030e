<script lang="ts">
	import { enhance } from '$app/forms';
	import type { NamedSupplement, PlanPreview, PlanRequest, SeenStep } from '$lib/contract/adjust';
	import { HUSBANDRY, offeredFor, RAISED, type RaisedParameter } from '$lib/core/correction';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { amountWords, ASSUMED, planTitle, refusalWords, REMARKS } from '$lib/format/adjust';
	import { dangersOf } from '$lib/format/danger';
	import { CAUSES, HUSBANDRY_TITLES } from '$lib/format/husbandry';
	import { fixed } from '$lib/format/number';
	import { limitInUnit } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import CourseChart from './CourseChart.svelte';
	import Dangers from './Dangers.svelte';
	import MovedTable from './MovedTable.svelte';
	import NotTogether from './NotTogether.svelte';
	import StepList from './StepList.svelte';

	interface GoalField {
		readonly parameter: RaisedParameter;
		/** In the person's unit, as text. */
		readonly aim: string;
		readonly now: string;
		readonly supplementId: string;
	}
	interface Props {
		waterId: string;
		request: PlanRequest | null;
		goals: readonly GoalField[];
		aimText: string;
		volumeKnown: boolean;
		supplements: readonly NamedSupplement[];
		preview: PlanPreview | null;
		bands: Readonly<Partial<Record<ParameterId, { low: number | null; high: number | null }>>>;
		fault: string;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		kind: 'doses' | 'salinity' | 'husbandry';
	}
	let {
		waterId,
		request,
		goals,
		aimText,
		volumeKnown,
		supplements,
		preview,
		bands,
		fault,
		id,
		units,
		timeZone,
		now,
		kind
	}: Props = $props();

	const base = $derived(`/waters/${waterId}/adjust`);
	const chosen = $derived(new Set(goals.map((g) => g.parameter)));
	const raising = (parameter: RaisedParameter) =>
		supplements.filter((s) => s.what.kind !== 'table' && offeredFor(s.what).includes(parameter));
	const steps = $derived(
		(preview?.plan.steps ?? []).map((s): SeenStep => ({
			...s,
			state: 'open',
			at: now,
			given: null,
			note: ''
		}))
	);
	/** Something has to be looked at before anything is added. */
	const asks = $derived(
		(preview?.refusals ?? []).some((r) => r.kind === 'ask-first' || r.kind === 'answers-otherwise')
	);
	const looked = $derived(request?.kind === 'doses' && request.looked === true);
	const acts = $derived(steps.some((s) => s.what.kind !== 'test'));
	const husbandry = $derived(request?.kind === 'husbandry' ? HUSBANDRY[request.id] : null);
	const query = $derived(goals.map((g) => g.parameter).join(','));
</script>

<main class="page max-w-[64rem]!">
	<h1 class="text-3xl">
		{request?.kind === 'husbandry'
			? HUSBANDRY_TITLES[request.id]
			: request
				? planTitle(request, [])
				: 'Plan a correction'}
	</h1>
	{#if kind === 'doses'}
		{#if goals.length === 0}
			<p class="mt-2 text-muted">Choose what to raise.</p>
		{:else}
			<form method="get" class="mt-5 grid gap-5">
				<Hidden name="goals" value={query} />
				{#each goals as goal (goal.parameter)}
					<fieldset class="grid gap-4 border-t pt-4 sm:grid-cols-[11rem_11rem_minmax(0,1fr)]">
						<legend class="visually-hidden">{PARAMETERS[goal.parameter].name}</legend>
						<div>
							<strong class="block text-lg">{PARAMETERS[goal.parameter].name}</strong>
							<span class="small figures text-muted">{goal.now || 'not read lately'}</span>
						</div>
						<Field
							name="aim.{goal.parameter}"
							label="Up to"
							unit={UNITS[units[goal.parameter]].symbol}
							inputmode="decimal"
							value={goal.aim}
						/>
						<Choice
							name="with.{goal.parameter}"
							label="With"
							value={goal.supplementId}
							items={raising(goal.parameter).map((s) => ({
								value: s.id,
								name: s.own ? `${s.name} (yours)` : s.name
							}))}
						/>
					</fieldset>
				{/each}
				<div class="flex flex-wrap items-end gap-4 border-t pt-4">
					<div class="min-w-64">
						<Choice
							name="volume"
							label="The net volume is"
							value={volumeKnown ? 'known' : 'guessed'}
							items={[
								{ value: 'guessed', name: 'guessed from the glass' },
								{ value: 'known', name: 'found by filling, or by a dose' }
							]}
						/>
					</div>
					{#if asks || looked}
						<Checkbox name="looked" value="yes" checked={looked} class="min-h-11 max-w-[30rem]"
							>I have looked: pumps run, bottles are not empty, nothing else is added, volume and strength are
							right.</Checkbox
						>
					{/if}
					<Button type="submit">Reckon it</Button>
				</div>
			</form>
		{/if}
		<p class="small mt-3 flex flex-wrap gap-x-5">
			{#each RAISED.filter((p) => !chosen.has(p)) as parameter (parameter)}
				<a class="link min-h-8" href="{base}/plan?goals={[query, parameter].filter(Boolean).join(',')}"
					>{goals.length === 0
						? PARAMETERS[parameter].name
						: `and ${PARAMETERS[parameter].name.toLowerCase()}`}</a
				>
			{/each}
			<a class="link min-h-8" href="{base}/supplements">Enter a product of your own</a>
		</p>
	{:else if kind === 'salinity'}
		<form method="get" class="mt-5 flex flex-wrap items-end gap-4">
			<Hidden name="kind" value="salinity" />
			<Field
				name="aim"
				label="Salinity wanted"
				unit={UNITS[units.salinity].symbol}
				inputmode="decimal"
				value={aimText}
			/>
			<Button type="submit">Reckon it</Button>
		</form>
	{/if}

	{#if fault}<div class="mt-6"><Fault text={fault} /></div>{/if}

	{#if husbandry}
		<section class="mt-6" aria-labelledby="causes">
			<h2 id="causes" class="text-2xl">Ask first</h2>
			<ol class="mt-2 border-b">
				{#each husbandry.causes as cause (cause)}<li class="border-t py-2">{CAUSES[cause]}</li>{/each}
			</ol>
		</section>
	{/if}

	{#if preview}
		{#each preview.refusals as refusal, i (i)}
			<p
				class="mt-4 max-w-[46rem] border-l-4 pl-3 {refusal.kind === 'ask-first' ||
				refusal.kind === 'answers-otherwise' ||
				refusal.kind === 'unlikely-amount'
					? 'border-warn'
					: 'border-ink'}"
			>
				{refusalWords(refusal, units)}
			</p>
		{/each}
		<NotTogether supplements={preview.plan.supplements} />
		{#if acts}
			{#each preview.plan.goals as goal (goal.parameter)}
				{@const course = preview.plan.courses.find((c) => c.parameter === goal.parameter) ?? null}
				{#if course}
					<div class="mt-6">
						<CourseChart
							goal={{ ...goal, readings: [], estimate: [] }}
							{course}
							band={bands[goal.parameter] ?? null}
							{steps}
							startsAt={now}
							{now}
							unit={units[goal.parameter]}
						/>
					</div>
				{/if}
			{/each}
			<section aria-labelledby="days" class="mt-8">
				<h2 id="days" class="text-2xl">
					{kind === 'husbandry'
						? 'Then, in this order'
						: `${preview.plan.days} ${preview.plan.days === 1 ? 'day' : 'days'}, like this`}
				</h2>
				{#if preview.plan.remarks.length > 0}
					<ul class="mt-1 max-w-[46rem]">
						{#each preview.plan.remarks as remark (remark)}<li class="py-0.5">{REMARKS[remark]}</li>{/each}
					</ul>
				{/if}
				<div class="mt-3">
					<StepList
						{steps}
						startsAt={now}
						today={0}
						{units}
						{timeZone}
						{now}
						runs={false}
						{waterId}
						ids={{}}
					/>
				</div>
			</section>
			<form method="post" action="?/start" use:enhance={sending} class="mt-6">
				<Hidden name="id" value={id} />
				<Hidden name="request" value={JSON.stringify(request)} />
				<Button kind="primary" size="large" type="submit">Begin today</Button>
				<p class="small mt-2 max-w-[46rem] text-muted">
					{#if preview.plan.moves && preview.plan.moves.assumed.length > 0}
						Planned with wider margins because {preview.plan.moves.assumed.map((a) => ASSUMED[a]).join('; ')}.
					{/if}
					Steps appear on Today and in the calendar. You can leave one out, change it, or stop at any time.
				</p>
			</form>
			<Dangers dangers={dangersOf(preview.plan.steps)} />
		{/if}
		{#if preview.mix && acts}
			<section aria-labelledby="mix" class="mt-8">
				<h2 id="mix" class="text-2xl">Another way to the same place</h2>
				<p class="mt-1 max-w-[46rem] text-muted">
					The best mix of all you have, in all; spread over the days like the plan above.
				</p>
				<ul class="figures mt-2 border-b">
					{#if preview.mix.change}
						<li class="border-t py-2">
							First change {litresWords(preview.mix.change.litres)} of water, with {preview.mix.change.batch}
						</li>
					{/if}
					{#each preview.mix.amounts as part (part.name)}
						<li class="border-t py-2">{amountWords(part.amount, part.unit)} of {part.name}</li>
					{/each}
					{#each preview.mix.short as one (one.parameter)}
						<li class="border-t py-2">
							{PARAMETERS[one.parameter].name} comes to {limitInUnit(
								one.parameter,
								Number(one.reached.toPrecision(3)),
								units[one.parameter]
							)}: nearer than that nothing at hand brings it.
						</li>
					{/each}
				</ul>
				<p class="small mt-1 text-muted">
					Salinity rises by {fixed(preview.mix.salinityRise, 2)} with it.
				</p>
			</section>
		{/if}
		{#if preview.plan.moves && kind === 'doses' && acts}
			<MovedTable moves={preview.plan.moves} {units} />
		{/if}
	{/if}
</main>
