<script lang="ts">
	import { enhance } from '$app/forms';
	import type { PlanRequest } from '$lib/contract/adjust';
	import type { SeenStep } from '$lib/core/correction';
	import type { PlanPreview } from '$lib/core/judgement/plan';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ASSUMED, refusalWords, REMARKS } from '$lib/format/adjust/adjust';
	import { dangersOf } from '$lib/format/adjust/danger';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import CourseChart from './CourseChart.svelte';
	import Dangers from './Dangers.svelte';
	import MixPanel from './MixPanel.svelte';
	import MovedTable from './MovedTable.svelte';
	import NotTogether from './NotTogether.svelte';
	import StepList from './StepList.svelte';

	interface Props {
		preview: PlanPreview;
		request: PlanRequest | null;
		bands: Readonly<Partial<Record<ParameterId, { low: number | null; high: number | null }>>>;
		kind: 'doses' | 'salinity' | 'husbandry';
		waterId: string;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { preview, request, bands, kind, waterId, id, units, timeZone, now }: Props = $props();

	const steps = $derived(
		preview.plan.steps.map((s): SeenStep => ({
			...s,
			state: 'open',
			at: now,
			given: null,
			note: ''
		}))
	);
	const acts = $derived(steps.some((s) => s.what.kind !== 'test'));
</script>

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
			<div class="mt-6 first:mt-0">
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
			<StepList {steps} startsAt={now} today={0} {units} {timeZone} {now} runs={false} {waterId} ids={{}} />
		</div>
	</section>
	<May what="decide" said>
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
	</May>
	<Dangers dangers={dangersOf(preview.plan.steps)} />
{/if}
{#if preview.mix && acts}<MixPanel mix={preview.mix} {units} />{/if}
{#if preview.plan.moves && kind === 'doses' && acts}
	<MovedTable moves={preview.plan.moves} {units} />
{/if}
