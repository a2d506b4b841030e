<script lang="ts">
	import type { PlanRequest } from '$lib/contract/adjust';
	import { HUSBANDRY } from '$lib/core/correction';
	import type { NamedSupplement, PlanPreview } from '$lib/core/judgement/plan';
	import { UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { planTitle } from '$lib/format/adjust/adjust';
	import { CAUSES, HUSBANDRY_TITLES } from '$lib/format/adjust/husbandry';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import type { GoalField } from './goal-field';
	import GoalsForm from './GoalsForm.svelte';
	import PlanPreviewed from './PlanPreviewed.svelte';

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
	/** Something has to be looked at before anything is added. */
	const asks = $derived(
		(preview?.refusals ?? []).some((r) => r.kind === 'ask-first' || r.kind === 'answers-otherwise')
	);
	const looked = $derived(request?.kind === 'doses' && request.looked === true);
	const husbandry = $derived(request?.kind === 'husbandry' ? HUSBANDRY[request.id] : null);
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
		<GoalsForm {goals} {supplements} {volumeKnown} {asks} {looked} {units} {base} />
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
		<PlanPreviewed {preview} {request} {bands} {kind} {waterId} {id} {units} {timeZone} {now} />
	{/if}
</main>
