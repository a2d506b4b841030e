<script lang="ts">
	import { enhance } from '$app/forms';
	import type { SeenPlan } from '$lib/core/judgement/plan';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { courseWords, HELD, planTitle, reasonWords, REMARKS } from '$lib/format/adjust/adjust';
	import { dangersOf } from '$lib/format/adjust/danger';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import CourseChart from './CourseChart.svelte';
	import Dangers from './Dangers.svelte';
	import MovedTable from './MovedTable.svelte';
	import NotTogether from './NotTogether.svelte';
	import StepList from './StepList.svelte';

	interface Props {
		waterId: string;
		seen: SeenPlan;
		/** 0 is the plan's first day. */
		today: number;
		bands: Readonly<Partial<Record<ParameterId, { low: number | null; high: number | null }>>>;
		ids: Readonly<Record<string, string>>;
		changeId: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		fault: string;
	}
	let { waterId, seen, today, bands, ids, changeId, units, timeZone, now, fault }: Props = $props();

	const { plan, goals, state } = $derived(seen);
	const runs = $derived(state === 'running' || state === 'over');
	const missed = $derived(seen.steps.filter((s) => s.state === 'missed').length);
	const off = $derived(
		goals.some((g) => g.followed && g.followed.course !== 'on-course' && g.followed.course !== 'too-early')
	);
	const STATE = { running: '', over: 'over, not ended yet', reached: 'reached', stopped: 'stopped' } as const;
	const days = $derived(Math.max(0, ...seen.steps.map((s) => s.day)) + 1);
	const courseOf = (parameter: ParameterId) => seen.courses.find((c) => c.parameter === parameter) ?? null;
</script>

<main class="page max-w-[64rem]!">
	<p class="label">
		{state === 'running'
			? `Day ${Math.min(days, today + 1)} of ${days}`
			: `A plan of ${days} days, ${STATE[state]}`}{seen.adapted > 0
			? `, planned anew ${seen.adapted === 1 ? 'once' : `${seen.adapted} times`}`
			: ''}
	</p>
	<h1 class="mt-1 text-3xl">
		{planTitle(
			plan.request,
			goals.map((g) => g.parameter)
		)}
	</h1>
	<p class="mt-1 text-muted">
		Since {shortDay(seen.startsAt, timeZone, now)}{seen.endedAt
			? `; ended on ${shortDay(seen.endedAt, timeZone, now)}`
			: ''}.
	</p>
	{#if fault}<div class="mt-4"><Fault text={fault} /></div>{/if}
	{#if seen.held}<p class="mt-4 max-w-[46rem] border-l-4 border-warn pl-3 text-lg">{HELD}</p>{/if}

	{#if goals.some((g) => g.followed)}
		<section aria-label="On course?" class="mt-5">
			{#each goals as goal (goal.parameter)}
				{#if goal.followed}
					<p
						class="py-1 text-lg {goal.followed.course === 'on-course' || goal.followed.course === 'too-early'
							? ''
							: 'border-l-4 border-warn pl-3 font-semibold'}"
					>
						{courseWords(goal.parameter, goal.followed, units[goal.parameter])}
					</p>
				{/if}
			{/each}
			{#if seen.reason}<p class="mt-1 max-w-[46rem]">{reasonWords(seen.reason)}</p>{/if}
		</section>
	{/if}

	{#each goals as goal (goal.parameter)}
		{#if courseOf(goal.parameter) || goal.estimate.length > 0}
			<div class="mt-5">
				<CourseChart
					{goal}
					course={courseOf(goal.parameter)}
					band={bands[goal.parameter] ?? null}
					steps={seen.steps}
					startsAt={seen.startsAt}
					{now}
					unit={units[goal.parameter]}
				/>
			</div>
		{/if}
	{/each}
	{#if goals.length > 0}
		<p class="small mt-1 text-muted">
			Dashed: how it should look when it works, with its 95 % interval. Solid: the estimate. Dots: readings.
			Grey field: the band. Marks below: doses; thick ones were given.
		</p>
	{/if}

	<section aria-labelledby="days" class="mt-8">
		<h2 id="days" class="text-2xl">Day by day</h2>
		{#if plan.remarks.length > 0}
			<ul class="small mt-1 max-w-[46rem] text-muted">
				{#each plan.remarks as remark (remark)}<li>{REMARKS[remark]}</li>{/each}
			</ul>
		{/if}
		<div class="mt-3">
			<StepList
				steps={seen.steps}
				startsAt={seen.startsAt}
				{today}
				{units}
				{timeZone}
				{now}
				{runs}
				{waterId}
				{ids}
				kits={seen.kits}
			/>
		</div>
	</section>

	{#if runs}
		<May what="decide" said>
			<form
				method="post"
				action="?/change"
				use:enhance={sending}
				class="mt-6 flex flex-wrap gap-3 print:hidden"
			>
				<Hidden name="id" value={changeId} />
				<Button kind={off || missed > 0 ? 'primary' : 'secondary'} type="submit" name="what" value="plan-rest"
					>Plan the rest again</Button
				>
				<Button type="submit" name="what" value="reached">It has worked: end it</Button>
				<Button kind="quiet" type="submit" name="what" value="stopped">Stop the plan</Button>
				<Button kind="quiet" onclick={() => window.print()}>Print</Button>
			</form>
		</May>
		<p class="small mt-2 max-w-[46rem] text-muted">
			Planning the rest again starts from where the water stands today{off
				? ', and reckons with what it answered so far'
				: ''}. Missed doses are never caught up at once.
		</p>
	{/if}

	<NotTogether supplements={plan.supplements} />
	<Dangers dangers={dangersOf(seen.steps)} />
	{#if plan.moves && plan.moves.rows.length > 0}<MovedTable moves={plan.moves} {units} />{/if}
	<p class="mt-8 print:hidden"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
