<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { isFree, stepsFor } from '$lib/core/method';
	import { progressOf } from '$lib/core/bench';
	import { nameWithin, PARAMETERS } from '$lib/core/quantity';
	import { canStayAwake } from '$lib/client/wake-lock';
	import { countdown } from '$lib/format/date';
	import { effectWords, lateWords, overdueWords } from '$lib/format/bench/bench';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import TickList from '$lib/ui/shared/TickList.svelte';
	import { cleanUpList, cleanUpOf } from '../finish/finish-words';
	import { listed } from '../layout/layout-words';
	import Lanes from '../layout/Lanes.svelte';
	import { lanesOf } from '../layout/lanes';
	import PlanWishes from '../layout/PlanWishes.svelte';
	import PressingNow from './PressingNow.svelte';
	import type { SessionPlanner } from '../layout/SessionPlanner.svelte';

	interface Props {
		desk: BenchDesk;
		planner: SessionPlanner;
		timeZone: string;
		waterName: (id: string) => string;
		/** What becomes of titrant that was not used. */
		unused: 'discard' | 'put-back';
		/** The screen of the test at hand. */
		children: Snippet;
	}
	let { desk, planner, timeZone, waterName, unused, children }: Props = $props();

	/** How often it is looked whether the order still fits. */
	const LOOK_MS = 400;
	let chosen = $state<string | null>(null);
	let awake = $state(true);
	onMount(() => {
		awake = canStayAwake();
		const looking = setInterval(() => {
			if (lost && !planner.busy) void planner.plan();
		}, LOOK_MS);
		return () => clearInterval(looking);
	});

	const session = $derived(desk.session!);
	const lanes = $derived(lanesOf(session, desk.plan, desk.now, waterName));
	const nameOf = (runId: string) => {
		const test = session.tests.find((t) => t.runId === runId);
		return test ? PARAMETERS[test.method.parameter].name : '';
	};
	/** The steps of other tests that the plan has after the one in hand. */
	const coming = $derived(
		(desk.plan?.placed ?? [])
			.filter((p, i, all) => all.findIndex((q) => q.step === p.step) === i)
			.filter((p) => p.test !== session.at)
			.slice(0, 2)
			.map((p) => {
				const test = session.tests.find((t) => t.runId === p.test)!;
				const step = stepsFor(test.method, test.portion).find((s) => p.step.endsWith(`/${s.id}`));
				return { key: p.step, name: nameWithin(test.method.parameter), say: step?.say ?? '', inS: p.startS };
			})
	);
	const leftS = $derived(desk.plan?.makespanS ?? null);
	const sinceBegunS = $derived(session.startedAt === null ? 0 : (desk.now - session.startedAt) / 1000);
	/** Free hands: the test at hand only waits, and the plan has nothing for some time. */

	// The order no longer fits, because something took longer: it is looked for again.
	const lost = $derived(
		session.startedAt !== null &&
			session.pausedAt === null &&
			desk.plan === null &&
			session.tests.some((t) => t.readAt === null)
	);
	/** Tests that are over: their vials are free, and can be cleaned while others stand. */
	const free = $derived(session.finished);
	const waits = $derived(desk.progress?.step ? isFree(desk.progress.step) : false);
	function resume(): void {
		desk.resume();
		void planner.plan();
	}
	const place = $derived.by(() => {
		const draft = desk.draft;
		if (!draft) return null;
		const steps = stepsFor(draft.method, draft.portion);
		const { stepIndex, step, drops } = progressOf(steps, draft.log);
		return step && { name: nameOf(draft.runId), number: stepIndex + 1, of: steps.length, step, drops };
	});
	const vials = $derived(
		session.tests
			.filter((t) => t.log.length > 0)
			.map((t) => ({ name: nameWithin(t.method.parameter), water: waterName(t.waterId) }))
	);
</script>

{#if session.pausedAt !== null}
	<div class="page max-w-[46rem]!">
		<p class="label">Paused for {countdown(desk.now - session.pausedAt)} min</p>
		<h1 class="mt-2 text-4xl leading-tight md:text-5xl">Everything stays where it is</h1>
		<p class="mt-3 text-lg text-muted">Waits go on: what reacts does not pause.</p>
		{#each desk.remaining?.overdue ?? [] as late (late.test)}
			<p class="mt-3 font-semibold text-warn">{overdueWords(late, nameOf(late.test))}</p>
		{/each}
		{#if place}
			<p class="mt-6 border-t pt-4 text-lg">
				You were at <strong>{place.name}</strong>, step {place.number} of {place.of}: {place.step
					.say}{place.drops > 0 ? `. ${place.drops} drops are counted` : ''}.
			</p>
		{/if}
		{#if vials.length > 0}
			<p class="mt-2 text-muted">
				Vials that react: {vials.map((v) => `${v.name} (${v.water})`).join(', ')}. If you are not sure which
				is which, begin that test again.
			</p>
		{/if}
		<ul class="mt-4 border-t">
			{#each desk.timers as timer (timer.runId)}
				<li class="flex justify-between border-b py-2">
					<span>{timer.label}</span>
					<strong class="figures">{timer.over ? 'time is over' : countdown(timer.leftMs)}</strong>
				</li>
			{/each}
		</ul>
		<div class="mt-6"><Button kind="primary" size="large" onclick={resume}>Go on</Button></div>
	</div>
{:else if desk.missed}
	<div class="page max-w-[46rem]!">
		<p class="label">This page slept for {countdown(desk.missed.sleptMs)} min</p>
		<h1 class="mt-2 text-4xl leading-tight md:text-5xl">What was missed</h1>
		<ul class="mt-4 border-t">
			{#each desk.missed.overdue as late (late.test)}
				<li class="border-b py-3 text-lg">
					<strong>{nameOf(late.test)}</strong>: “{late.step.say}” is over, {lateWords(late.lateS)}.
					<span class={late.effect.repeat ? 'font-semibold text-warn' : 'text-muted'}
						>{effectWords(late.effect)}</span
					>
				</li>
			{/each}
		</ul>
		<div class="mt-6">
			<Button
				kind="primary"
				size="large"
				onclick={() => {
					desk.missedSeen();
					desk.follow();
				}}>I have seen it</Button
			>
		</div>
	</div>
{:else}
	<section aria-label="The plan" class="border-b bg-paper">
		<div class="mx-auto hidden max-w-[80rem] px-4 pt-3 pb-2 sm:block lg:px-8">
			<Lanes
				{lanes}
				now={desk.now}
				startedAt={session.startedAt}
				{timeZone}
				at={session.at}
				{chosen}
				onchoose={(runId, step) => {
					chosen = step;
					if (!step.startsWith(`${session.at}/`)) desk.select(runId);
				}}
				onmove={(step, at) => {
					const atS = Math.max(0, Math.round((at - (session.startedAt ?? at)) / 1000));
					const rest = session.wishes.filter((w) => !(w.kind === 'pin' && w.step === step));
					desk.changeSession({ wishes: [...rest, { kind: 'pin', step, atS }] });
					void planner.plan();
				}}
			/>
		</div>
		<div
			class="figures mx-auto grid max-w-[80rem] grid-cols-[1fr_auto] items-center gap-x-6 px-4 py-1 md:flex lg:px-8"
		>
			<span class="small"
				>{#if leftS !== null}<strong>{countdown(leftS * 1000)}</strong> min left{:else if planner.busy}Laying
					out anew …{:else}No order fits{/if}</span
			>
			{#each coming as c, i (c.key)}
				<span
					class="small min-w-0 {i > 0 ? 'hidden md:inline' : 'order-last col-span-2 truncate md:order-none'}"
					><strong>{i === 0 ? 'Next:' : 'Then:'}</strong>
					{c.name}, {c.say}{c.inS > 20 ? `, in ${countdown(c.inS * 1000)}` : ''}</span
				>
			{/each}
			<span class="md:ml-auto">
				<Button kind="text" class="min-h-11 px-2 whitespace-nowrap" onclick={() => desk.pause()}
					>Pause everything</Button
				>
			</span>
		</div>
	</section>
	<PressingNow {desk} />
	{#each desk.conflicts?.lateSteps ?? [] as step (step)}
		<p class="border-b px-4 py-2 font-semibold text-warn lg:px-8" role="alert">
			{nameOf(step.split('/')[0]!)} cannot be met in time any more beside the others; it comes as soon as it can.
		</p>
	{/each}
	{#if !awake}
		<p class="small border-b px-4 py-2 text-muted lg:px-8">
			This address is not a secure one (https), so the screen may go dark, and the bench cannot be opened
			again while the server is away. The README says how a phone reaches a secure one.
		</p>
	{/if}
	{#if planner.fault}<p class="small px-4 py-2 text-warn lg:px-8" role="alert">{planner.fault}</p>{/if}

	{@render children()}

	<div class="page pt-0!">
		{#if free.length > 0}
			<Disclosure
				class="border-t"
				open={waits}
				look="link min-h-11 py-3"
				title="Clean up meanwhile: {listed(free.map((f) => nameWithin(f.draft.method.parameter)))}"
			>
				<TickList
					class="pb-4"
					label="Clean up what is free"
					list={cleanUpList(session)}
					lines={[...new Set(free.flatMap((f) => cleanUpOf(f.draft.method, unused)))]}
				/>
			</Disclosure>
		{/if}
		<Disclosure class="border-t" look="link min-h-11 py-3"
			>{#snippet title()}Change the plan{desk.plan ? '' : ' (no order fits)'}{/snippet}
			<div class="pb-4">
				<div class="mb-4 sm:hidden">
					<Lanes
						{lanes}
						now={desk.now}
						startedAt={session.startedAt}
						{timeZone}
						at={session.at}
						{chosen}
						onchoose={(_, step) => (chosen = step)}
						onmove={() => undefined}
					/>
				</div>
				<PlanWishes
					{session}
					plan={desk.plan}
					broken={desk.conflicts?.brokenWishes ?? []}
					{chosen}
					{sinceBegunS}
					onchoose={(step) => (chosen = step)}
					onwishes={(wishes) => {
						desk.changeSession({ wishes });
						void planner.plan();
					}}
				/>
			</div>
		</Disclosure>
	</div>
{/if}
