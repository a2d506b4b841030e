<script lang="ts">
	import type { AdjustAnswer, RepairSeen } from '$lib/contract/adjust';
	import { HUSBANDRY } from '$lib/core/correction';
	import type { PlanLine } from '$lib/core/judgement/plan';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import {
		courseWords,
		HELD,
		planTitle,
		repairTitle,
		repairValue,
		repairWhy,
		stepWords
	} from '$lib/format/adjust/adjust';
	import { DYING } from '$lib/format/adjust/danger';
	import { CAUSES, NEGLECTED } from '$lib/format/adjust/husbandry';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	import StandPicture from './StandPicture.svelte';
	import WayPicture from './WayPicture.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';

	interface Props {
		water: { readonly id: string; readonly name: string; readonly kind: string };
		answer: AdjustAnswer;
		fresh: boolean;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { water, answer, fresh, units, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${water.id}/adjust`);
	const running = $derived(answer.plans.filter((p) => p.state === 'running' || p.state === 'over'));
	const ended = $derived(answer.plans.filter((p) => p.state === 'reached' || p.state === 'stopped'));
	const toDo = $derived(answer.repairs.filter((r) => r.repair.kind !== 'leave'));
	const left = $derived(answer.repairs.filter((r) => r.repair.kind === 'leave'));

	/** Where a repair is planned. */
	function planHref({ repair, husbandry, values }: RepairSeen): { href: string; text: string } | null {
		if (repair.kind === 'raise') {
			const goals = values.map((v) => v.parameter).join(',');
			return fresh
				? { href: `${base}/blend`, text: 'Reckon the salts' }
				: { href: `${base}/plan?goals=${goals}`, text: 'Plan the days' };
		}
		if (repair.kind === 'salinity') return { href: `${base}/plan?kind=salinity`, text: 'Plan the days' };
		if (repair.kind === 'water-change' || repair.kind === 'lower') {
			return fresh && repair.kind === 'lower'
				? { href: `${base}/blend`, text: 'Blend with purified water' }
				: { href: `${base}/change`, text: 'Reckon the change' };
		}
		return husbandry
			? { href: `${base}/plan?kind=husbandry&id=${husbandry}`, text: 'See causes and remedies' }
			: null;
	}
	const warns = (r: RepairSeen) => r.repair.kind === 'ammonia' || r.repair.kind === 'warmth';
	const tools = $derived(
		[
			['plan', 'Raise something else', 'Any value, with any salt or product.'],
			['daily', 'The daily dose', 'Two-part, limewater, reactor, changes alone.'],
			['change', 'A water change', 'One, several, with which batch.'],
			['blend', 'Blend and soften', 'Tap and purified water, KH and GH apart.'],
			['batches', 'New water', 'Batches, their salt, and what was read of them.'],
			['supplements', 'Salts and products', 'What you have, and how strong it is.'],
			['limits', 'What a day may change', 'Cautious unless you set them.']
		].filter(([id]) => water.kind === 'tank' || ['blend', 'batches', 'supplements'].includes(id!))
	);
</script>

{#snippet line(plan: PlanLine)}
	<li class="border-t py-4">
		<div class="flex flex-wrap items-baseline justify-between gap-x-6">
			<a class="link text-lg font-semibold" href="{base}/plans/{plan.id}"
				>{planTitle(plan.request, plan.title)}</a
			>
			<span class="small text-muted">
				{plan.state === 'running'
					? `day ${plan.day} of ${plan.days}`
					: plan.state === 'over'
						? 'over: end it, or plan the rest'
						: plan.state === 'reached'
							? 'reached'
							: 'stopped'}, since {shortDay(plan.startsAt, timeZone, now)}
			</span>
		</div>
		{#if plan.offCourse}
			<p class="mt-1 border-l-4 border-warn pl-3">
				{courseWords(plan.offCourse.parameter, plan.offCourse.followed, units[plan.offCourse.parameter])}
			</p>
		{/if}
		{#if plan.held}<p class="mt-1 border-l-4 border-warn pl-3">{HELD}</p>{/if}
		{#each plan.today as step (step.id)}
			<p class="small figures mt-1">
				{step.state === 'done' ? '✓ Done:' : step.day < plan.day - 1 ? 'Still open:' : 'Today:'}
				{stepWords(step, units)}
			</p>
		{/each}
		{#if plan.missed > 0}<p class="small mt-1 text-muted">
				{plan.missed}
				{plan.missed === 1 ? 'step was' : 'steps were'} missed. They are not caught up at once.
			</p>{/if}
	</li>
{/snippet}

<main class="page">
	<h1 class="text-3xl">Adjust {water.name}</h1>
	{#if answer.dying}<p class="mt-3 max-w-[46rem] border-l-4 border-warn pl-4">{DYING}</p>{/if}
	<div class="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
		<div class="min-w-0">
			{#if answer.neglected}
				<section aria-labelledby="neglected" class="mt-8 border-l-4 border-warn pl-4">
					<h2 id="neglected" class="text-2xl">
						{answer.leftAlone
							? 'This tank was left alone: in this order'
							: 'The buffer is gone: in this order'}
					</h2>
					<ol class="mt-2 list-decimal pl-6">
						{#each answer.neglected as id (id)}<li class="py-1">{NEGLECTED[id]}</li>{/each}
					</ol>
				</section>
			{/if}
			<section aria-labelledby="order" class={answer.neglected ? 'mt-8' : ''}>
				<h2 id="order" class="text-2xl">
					{answer.judged === 0
						? 'Nothing can be said yet'
						: toDo.length === 0
							? 'Nothing has to be corrected'
							: 'What to put right, in this order'}
					<HelpMark topic="husbandry-first" about="what comes before any dose" />
				</h2>
				{#if toDo.length === 0}
					<p class="mt-2 text-muted">
						{answer.judged === 0
							? 'Nothing was read lately of which it is known what is wanted. Test it, or say what is wanted.'
							: left.length > 0
								? 'What the kits cannot tell is left alone.'
								: 'Every value that was read lies where it is wanted. Keep measuring.'}
					</p>
					{#if answer.judged === 0}
						<p class="mt-2 text-muted">
							Then each value that is to be put right stands here, with where it is, where it should be, and
							the day on which a plan brings it there.
						</p>
						<p class="mt-4 flex flex-wrap gap-3">
							<Button kind="primary" href="/waters/{water.id}/bench">Go to the bench</Button>
							<Button href="/waters/{water.id}/targets">Say what is wanted</Button>
						</p>
					{/if}
				{/if}
				<ol class="mt-2">
					{#each toDo as seen, i (i)}
						{@const plan = planHref(seen)}
						<li class="grid gap-x-6 gap-y-2 border-t py-4 sm:grid-cols-[2rem_minmax(0,1fr)_auto]">
							<Late>
								<span class="figures text-2xl leading-tight text-muted">{i + 1}</span>
								<div>
									<h3 class="text-lg leading-tight {warns(seen) ? 'text-warn' : ''}">
										{repairTitle(seen.repair)}
									</h3>
									<p class="mt-0.5">{repairWhy(seen)}</p>
									{#each seen.values as value (value.parameter)}
										{@const way = seen.ways.find((w) => w.parameter === value.parameter)}
										<p class="small figures mt-1 text-muted">
											{repairValue(value, units)}{value.surprising
												? '. The last reading surprised: test it a second time first'
												: ''}{value.onlyPossible
												? '. The readings cannot tell, and it harms within days: test again at once, and act as if it were outside'
												: ''}
										</p>
										{#if way}
											<div class="mt-1">
												<WayPicture {way} present={value} band={value} {units} {timeZone} {now} />
											</div>
										{:else}
											<div class="mt-1 max-w-[30rem]"><StandPicture {value} outside {units} /></div>
										{/if}
									{/each}
									{#if seen.husbandry}
										<Disclosure class="mt-1" title="What may lie behind it" look="link small min-h-8 py-1">
											<ul class="small mt-1 list-disc pl-5">
												{#each HUSBANDRY[seen.husbandry].causes as cause (cause)}<li>
														{CAUSES[cause]}
													</li>{/each}
											</ul>
										</Disclosure>
									{/if}
								</div>
								<div class="self-start">
									{#if seen.planned}
										<span class="small text-muted">A plan is under way</span>
									{:else if plan}
										<Button kind={i === 0 && running.length === 0 ? 'primary' : 'secondary'} href={plan.href}
											>{plan.text}</Button
										>
									{/if}
								</div>
							</Late>
						</li>
					{/each}
				</ol>
				{#if left.length > 0}
					<h3 class="label mt-6">Leave alone</h3>
					<ul class="mt-1 border-b">
						{#each left as seen, i (i)}
							<li
								class="small figures grid items-center gap-x-6 border-t py-2 sm:grid-cols-[minmax(0,1fr)_16rem]"
							>
								<span
									>{#each seen.values as value (value.parameter)}<strong>{repairValue(value, units)}.</strong
										>{/each}
									{repairWhy(seen)}</span
								>
								{#each seen.values as value (value.parameter)}<StandPicture
										{value}
										outside={false}
										{units}
									/>{/each}
							</li>
						{/each}
					</ul>
				{/if}
			</section>
			{#if running.length > 0}
				<section aria-labelledby="under-way" class="mt-10">
					<h2 id="under-way" class="text-2xl">Under way</h2>
					<ul class="mt-2 border-b">
						{#each running as plan (plan.id)}{@render line(plan)}{/each}
					</ul>
				</section>
			{/if}
			{#if ended.length > 0}
				<section aria-labelledby="ended" class="mt-10">
					<h2 id="ended" class="text-xl">Earlier plans</h2>
					<ul class="mt-2 border-b">
						{#each ended as plan (plan.id)}{@render line(plan)}{/each}
					</ul>
				</section>
			{/if}
		</div>
		<nav aria-label="Tools" class="lg:border-l lg:pl-8">
			<h2 class="label">Reckon freely</h2>
			<ul class="mt-2 border-b">
				{#each tools as [id, name, about] (id)}
					<li class="border-t">
						<a class="block py-2.5 hover:bg-paper" href="{base}/{id}">
							<span class="link font-semibold">{name}</span>
							<span class="small block text-muted">{about}</span>
						</a>
					</li>
				{/each}
			</ul>
			<p class="small mt-4 text-muted">
				Tevrik advises, you decide. Labels, safety data sheets and local rules come first; sick animals belong
				to somebody who is trained for it.
			</p>
		</nav>
	</div>
</main>
