<script lang="ts">
	import { untrack, type ComponentProps } from 'svelte';
	import type { PlanRequest } from '$lib/contract/adjust';
	import { HUSBANDRY } from '$lib/core/correction';
	import type { NamedSupplement, PlanPreview } from '$lib/core/judgement/plan';
	import { UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { planTitle } from '$lib/format/adjust/adjust';
	import { CAUSES, HUSBANDRY_TITLES } from '$lib/format/adjust/husbandry';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import type { GoalField } from './goal-field';
	import GoalsForm from './GoalsForm.svelte';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';
	import PlanPreviewed from './PlanPreviewed.svelte';
	import RaiseChoices from './RaiseChoices.svelte';

	interface Props {
		waterId: string;
		request: PlanRequest | null;
		goals: readonly GoalField[];
		offers: ComponentProps<typeof RaiseChoices>['offers'];
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
		offers,
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
	/** Something has to be looked at before anything is added. */
	const asks = $derived(
		(preview?.refusals ?? []).some((r) => r.kind === 'ask-first' || r.kind === 'answers-otherwise')
	);
	const looked = $derived(request?.kind === 'doses' && request.looked === true);
	const husbandry = $derived(request?.kind === 'husbandry' ? HUSBANDRY[request.id] : null);
</script>

<main class="page">
	<h1 class="text-3xl">
		{request?.kind === 'husbandry'
			? HUSBANDRY_TITLES[request.id]
			: request
				? planTitle(request, [])
				: 'Plan a correction'}
	</h1>
	{#if kind === 'doses' && goals.length === 0}
		<RaiseChoices {offers} {units} {base} />
	{:else}
		<div class="mt-5 grid gap-x-10 gap-y-8 {husbandry ? '' : 'lg:grid-cols-[20rem_minmax(0,1fr)]'}">
			<div>
				{#if kind === 'doses'}
					<GoalsForm {goals} {supplements} {volumeKnown} {asks} {looked} {units} {base} />
				{:else if kind === 'salinity'}
					<LiveForm class="grid gap-4">
						<Hidden name="kind" value="salinity" />
						<Field
							name="aim"
							label="Salinity wanted"
							unit={UNITS[units.salinity].symbol}
							inputmode="decimal"
							value={untrack(() => aimText)}
						/>
					</LiveForm>
				{/if}
				{#if husbandry}
					<section aria-labelledby="causes">
						<h2 id="causes" class="text-2xl">Ask first</h2>
						<ol class="mt-2 border-b">
							{#each husbandry.causes as cause (cause)}<li class="border-t py-2">{CAUSES[cause]}</li>{/each}
						</ol>
					</section>
				{/if}
			</div>
			<div class="min-w-0">
				{#if fault}<Fault text={fault} />{/if}
				{#if preview}
					<PlanPreviewed {preview} {request} {bands} {kind} {waterId} {id} {units} {timeZone} {now} />
				{/if}
			</div>
		</div>
	{/if}
	<p class="mt-8"><a class="link" href={base}>Back to all corrections</a></p>
</main>
