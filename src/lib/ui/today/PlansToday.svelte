<script lang="ts">
	import type { PlanLine } from '$lib/core/judgement/plan';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { courseWords, HELD, planTitle } from '$lib/format/adjust/adjust';

	import StepTick from './StepTick.svelte';

	interface Props {
		plans: readonly PlanLine[];
		/** The plan whose steps stand above already. */
		told: string | null;
		/** Address of the water. */
		base: string;
		stepIds: Readonly<Record<string, string>>;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { plans, told, base, stepIds, units }: Props = $props();
</script>

<h2 class="label mt-8">Corrections under way</h2>
<ul class="mt-2" aria-label="Corrections under way">
	{#each plans as plan (plan.id)}
		<li class="border-t py-3">
			<a class="link font-semibold" href="{base}/adjust/plans/{plan.id}"
				>{planTitle(plan.request, plan.title)}</a
			>
			<span class="small block text-muted"
				>{plan.state === 'over' ? 'Over: end it, or plan the rest.' : `Day ${plan.day} of ${plan.days}`}</span
			>
			{#if plan.held && plan.id !== told}<span class="small block border-l-4 border-warn pl-2">{HELD}</span
				>{/if}
			{#each plan.id === told ? [] : plan.today as step (step.id)}
				<span class="small figures block"
					>{step.state === 'done' ? '' : step.day < plan.day - 1 ? 'Still open:' : 'Today:'}
					<StepTick
						plan="{base}/adjust/plans/{plan.id}"
						{step}
						id={stepIds[`${plan.id}/${step.id}`]}
						held={plan.held}
						{units}
					/></span
				>
			{/each}
			{#if plan.offCourse}
				<span class="small mt-1 block border-l-4 border-warn pl-2"
					>{courseWords(
						plan.offCourse.parameter,
						plan.offCourse.followed,
						units[plan.offCourse.parameter]
					)}</span
				>
			{/if}
			{#if plan.missed > 0}
				<span class="small block text-muted">{plan.missed} missed; not caught up at once.</span>
			{/if}
		</li>
	{/each}
</ul>
