<script lang="ts">
	import { onMount } from 'svelte';
	import type { RinseSchool } from '$lib/contract/handling';
	import { RINSE_ALL } from '$lib/format/bench/handling';
	import { GUIDANCE, type Guidance } from '$lib/contract/choices';
	import { cleanUpS, sequentialPlan } from '$lib/core/bench';
	import { sampleOf } from '$lib/core/method';
	import { nameWithin, PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { aboutMinutes, shortDay } from '$lib/format/date';
	import { GUIDANCE_NAMES } from '$lib/format/bench/bench';
	import { plain } from '$lib/format/number';
	import { CAUTIONS, LABEL_BEFORE, LABEL_FIRST } from '$lib/format/bench/hazard';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { togetherOf, type BenchDraft } from '$lib/ui/shared/bench-session';
	import TickList from '$lib/ui/shared/TickList.svelte';
	import BoxCheck from './BoxCheck.svelte';
	import Lanes from './Lanes.svelte';
	import { lanesOf } from './lanes';
	import { fetchList, handsOn, listed, vialMap } from './layout-words';
	import PlanWishes from './PlanWishes.svelte';
	import type { SessionPlanner } from './SessionPlanner.svelte';

	interface Props {
		desk: BenchDesk;
		planner: SessionPlanner;
		timeZone: string;
		waterName: (id: string) => string;
		practised: (draft: BenchDraft) => boolean;
		/** It runs by a common leaflet, and nobody said yet what the one in the box says. */
		unread: (draft: BenchDraft) => boolean;
		/** What this person rinses with. */
		rinse: RinseSchool;
		onbegin: () => void;
		onback: () => void;
	}
	let { desk, planner, timeZone, waterName, practised, unread, rinse, onbegin, onback }: Props = $props();

	/** A lot that ends within so many tests is running out. */
	const FEW_TESTS = 3;
	let chosen = $state<string | null>(null);
	onMount(() => void planner.plan());

	const session = $derived(desk.session!);
	const now = $derived(desk.now);
	const lanes = $derived(lanesOf(session, desk.plan, now, waterName));
	const inTurn = $derived(desk.remaining ? sequentialPlan(desk.remaining.problem) : null);
	/** Cleaning up afterwards, or while something stands. */
	const tidyS = $derived(cleanUpS(session.tests.map((t) => t.method)));
	const hands = $derived(session.tests.reduce((sum, t) => sum + handsOn(t), 0));
	/** Of one test there is no order, no turning and no vial to mix up: only what it needs stands here. */
	const single = $derived(session.tests.length === 1);
	const several = $derived(new Set(session.tests.map((t) => t.waterId)).size > 1);
	const nameOf = (t: BenchDraft) =>
		`${PARAMETERS[t.method.parameter].name}${several || t.standard ? ` (${t.standard?.name ?? waterName(t.waterId)})` : ''}`;
	/** What is fetched once, and what each test brings. */
	const shared = $derived(fetchList(session.tests.map((t) => t.method)));
	const first = $derived(session.tests.filter((t) => !practised(t)));
	const warnings = $derived(
		session.tests.flatMap((t) => {
			const found: string[] = [];
			const kit = t.kit;
			if (kit?.goodUntil != null && kit.goodUntil < now) {
				found.push(
					`${kit.name} is past its date since ${shortDay(kit.goodUntil, timeZone, now as Instant)}. Take the result as a hint, or open another lot.`
				);
			}
			if (kit?.boxComplete === false) {
				found.push(`Something of ${kit.name} was missing when its box was looked through.`);
			}
			if (kit?.testsLeft != null && kit.testsLeft <= FEW_TESTS) {
				found.push(
					kit.testsLeft === 0
						? `${kit.name} is used up by the reckoning. Have a new lot at hand.`
						: `${kit.name} is good for ${kit.testsLeft} more ${kit.testsLeft === 1 ? 'test' : 'tests'}.`
				);
			}
			return found;
		})
	);
	/** What of each kit is taken out of its box. */
	const bottles = $derived(
		session.tests.flatMap((t) => {
			const labels = t.method.reagents.map((r) => r.label);
			return labels.length === 0 ? [] : [`${single ? 'reagents' : `${nameOf(t)}:`} ${listed(labels)}`];
		})
	);
	/** Lots whose boxes nobody looked through yet, each once. */
	const unchecked = $derived(
		session.tests.filter(
			(t, i) => t.kit?.boxComplete === null && session.tests.findIndex((o) => o.kit?.id === t.kit?.id) === i
		)
	);
	function boxChecked(kitId: string, boxComplete: boolean): void {
		desk.changeSession({
			tests: session.tests.map((t) => (t.kit?.id === kitId ? { ...t, kit: { ...t.kit, boxComplete } } : t))
		});
	}
	const toFetch = $derived([
		...bottles,
		...shared,
		several
			? `a clean cup of each water: ${[...new Set(session.tests.map((t) => waterName(t.waterId)))].join(', ')}`
			: single
				? 'the water, at room temperature'
				: 'a clean cup of the water, at room temperature',
		'purified water, towel, light'
	]);
	/** What is rinsed and drawn now, so that no test asks for it again. */
	const ahead = $derived(togetherOf(session));
	const togetherNow = $derived(ahead.size > 0 && [...ahead.values()].every((n) => n > 0));
	const draws = $derived(
		[...new Set(session.tests.map((t) => t.waterId))].flatMap((waterId) => {
			const samples = session.tests.flatMap((t) => {
				if (t.waterId !== waterId || ahead.get(t.runId) !== 2) return [];
				const { sampleMl = null } = t.reading.dilution ?? { sampleMl: sampleOf(t.method, t.portion) };
				const thinned = t.reading.dilution
					? `, filled up with ${plain(t.reading.dilution.diluentMl)} mL purified`
					: '';
				return [`${PARAMETERS[t.method.parameter].name} ${plain(sampleMl ?? 0)} mL${thinned}`];
			});
			return samples.length > 0 ? [{ water: waterName(waterId), samples }] : [];
		})
	);
	const hazards = $derived([
		...new Set(session.tests.flatMap((t) => t.method.reagents.flatMap((r) => r.hazards)))
	]);
	const two = $derived(session.tests.flatMap((t) => vialMap(t, nameOf(t))));

	function remove(runId: string): void {
		desk.changeSession({ tests: session.tests.filter((t) => t.runId !== runId) });
		if (session.tests.length === 1) onback();
		else void planner.plan();
	}
	function change(change: Parameters<BenchDesk['changeSession']>[0]): void {
		desk.changeSession(change);
		void planner.plan();
	}
</script>

<div class="page max-w-[76rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h1 class="text-3xl">
			Lay out {session.tests.length === 1 ? 'one test' : `${session.tests.length} tests`}
		</h1>
		<Button kind="text" class="min-h-11" onclick={onback}>Choose other tests</Button>
	</div>
	<div class="mt-4 flex flex-wrap items-end justify-between gap-x-10 gap-y-4">
		<p class="figures min-w-48 flex-1 text-xl" role="status">
			{#if desk.plan}
				<strong class="text-4xl">{aboutMinutes(desk.plan.makespanS)}</strong> in all{#if !single}, {aboutMinutes(
						hands
					)}
					with your hands{/if}{#if inTurn && inTurn.makespanS > desk.plan.makespanS + 60}; one test after the
					other it would be {aboutMinutes(inTurn.makespanS)}{/if}{#if single}, then {Math.max(
						1,
						Math.round(tidyS / 60)
					)} cleaning up{/if}.
				{#if !single}<span class="small text-muted"
						>Cleaning up takes {aboutMinutes(tidyS)} more, some of it while something stands.</span
					>{/if}
				{#if single}{:else if planner.busy}<span class="small text-muted"
						>Still looking for a shorter order …</span
					>
				{:else if desk.plan.makespanS <= desk.plan.boundS + 30}<span class="small text-muted"
						>No order is shorter.</span
					>
				{:else}<span class="small text-muted"
						>No order can be shorter than {aboutMinutes(desk.plan.boundS)}.</span
					>{/if}
			{:else if planner.busy}Laying the steps out …{:else}No order fits. Let something move again below.{/if}
		</p>
		<Button kind="primary" size="large" disabled={!desk.plan} onclick={onbegin}>Begin</Button>
	</div>
	{#if !single}<div class="mt-5 border-y bg-paper py-3">
			<Lanes
				{lanes}
				{now}
				startedAt={null}
				{timeZone}
				at={null}
				{chosen}
				onchoose={(_, step) => (chosen = step)}
				onmove={(step, at) => {
					const rest = session.wishes.filter((w) => !(w.kind === 'pin' && w.step === step));
					change({
						wishes: [...rest, { kind: 'pin', step, atS: Math.max(0, Math.round((at - now) / 1000)) }]
					});
				}}
			/>
			<p class="small px-1 pt-1 text-muted">
				Solid: your hands are busy. Hollow: it stands. Drag a solid piece to keep it at a time.
			</p>
		</div>
		<Disclosure
			class="border-b"
			open={session.wishes.length > 0}
			title="Change the order"
			look="link min-h-11 py-3"
		>
			<div class="pb-4">
				<PlanWishes
					{session}
					plan={desk.plan}
					broken={desk.conflicts?.brokenWishes ?? []}
					{chosen}
					sinceBegunS={0}
					onchoose={(step) => (chosen = step)}
					onwishes={(wishes) => change({ wishes })}
				/>
			</div>
		</Disclosure>{/if}

	{#if warnings.length > 0}
		<ul class="mt-5 border-l-4 border-warn pl-4">
			{#each warnings as warning (warning)}<li class="py-0.5 font-semibold">{warning}</li>{/each}
		</ul>
	{/if}

	<div class="mt-6 grid gap-x-12 gap-y-6 md:grid-cols-2">
		<section aria-labelledby="tests">
			<h2 id="tests" class="text-xl {single ? 'visually-hidden' : ''}">Tests</h2>
			<ul class="mt-2 border-t">
				{#each session.tests as t (t.runId)}
					<li class="flex items-baseline gap-3 border-b py-2">
						<span class="min-w-0 grow"
							>{#if !single || several || t.standard}<strong>{nameOf(t)}</strong>{/if}
							<span class="small block text-muted"
								>{[
									t.method.name,
									t.kit && t.kit.name !== t.method.name ? t.kit.name : '',
									t.kit?.lotCode ? `lot ${t.kit.lotCode}` : ''
								]
									.filter(Boolean)
									.join(', ')}</span
							>
							{#if unread(t)}
								<span class="small block">
									Runs by a common leaflet.
									<a class="link" href="/waters/{t.waterId}/methods/new?from={t.method.code}"
										>Enter the one in your box</a
									>
								</span>
							{/if}</span
						>
						{#if !single}<Button
								kind="text"
								class="small min-h-11 shrink-0"
								aria-label="Leave out {nameOf(t)}"
								onclick={() => remove(t.runId)}>Leave out</Button
							>{/if}
					</li>
				{/each}
			</ul>
			<Choice
				label="How it is told"
				bare={single}
				large
				class="mt-4"
				value={session.guidance}
				items={GUIDANCE.map((g) => ({ value: g, name: GUIDANCE_NAMES[g] }))}
				onpick={(g) => desk.changeSession({ guidance: g as Guidance })}
			/>
			{#if first.length > 0}
				<p class="small mt-2 text-muted">
					{single
						? 'Your first time'
						: `First time: ${first.map((t) => nameWithin(t.method.parameter)).join(', ')}`}: every hand
					movement is told.
				</p>
			{/if}
			{#if session.tests.length > 1}
				<div class="mt-4 flex flex-wrap gap-4">
					<Choice
						label="Vials at hand"
						large
						class="grow"
						value={String(session.vials ?? '')}
						items={[
							{ value: '', name: 'one for every test' },
							...[1, 2, 3, 4, 5, 6].map((n) => ({ value: String(n), name: String(n) }))
						]}
						onpick={(n) => change({ vials: n === '' ? null : Number(n) })}
					/>
					<Choice
						label="Turning to another test takes"
						large
						class="grow"
						value={String(session.changeoverS)}
						items={[4, 8, 12, 20, 30].map((s) => ({ value: String(s), name: `${s} seconds` }))}
						onpick={(s) => change({ changeoverS: Number(s) })}
					/>
				</div>
			{/if}
		</section>
		<section aria-labelledby="fetch">
			<h2 id="fetch" class="text-xl">Fetch</h2>
			{#if unchecked.length > 0}
				<ul class="mt-2 space-y-2">
					{#each unchecked as t (t.kit!.id)}
						<BoxCheck
							waterId={t.waterId}
							kit={t.kit!}
							method={t.method}
							onchecked={(complete) => boxChecked(t.kit!.id, complete)}
						/>
					{/each}
				</ul>
			{/if}
			<TickList class="mt-1" label="Fetch" list="lay-out/{session.id}" lines={toFetch} />
			{#if !single}
				<h2 class="mt-5 text-xl">Rinse{draws.length > 0 ? ' and draw' : ''}</h2>
				<p class="mt-1">
					{RINSE_ALL[rinse]}{togetherNow ? '; no test asks for it again' : ''}.{several
						? ' The sample syringe three times with each new water.'
						: ''}
				</p>
				{#if draws.length > 0}
					<ul class="figures mt-2" aria-label="Samples to draw">
						{#each draws as of (of.water)}
							<li class="border-t py-1.5">
								{#if several}<strong>{of.water}:</strong>{/if}
								{of.samples.join(', ')}
							</li>
						{/each}
					</ul>
				{/if}
				<Checkbox
					checked={session.together ?? false}
					onchange={() => change({ together: !(session.together ?? false) })}
					>Rinse and draw for all of them first</Checkbox
				>
			{/if}
			{#if two.length > 0}
				<h2 class="mt-5 text-xl">Which vial is which</h2>
				<ul class="mt-1 list-disc pl-5">
					{#each two as line (line)}<li>{line}</li>{/each}
				</ul>
			{/if}
			{#if !single}<p class="mt-3 text-muted">
					Label each vial with its test{several ? ' and its water' : ''} before the first drop. Open child-proof
					caps now.
				</p>{/if}
			{#if hazards.length > 0}
				<h2 class="mt-5 text-xl {single ? 'visually-hidden' : ''}">Cautions</h2>
				<p class="{single ? 'mt-5' : 'mt-1'} border-l-4 border-line-strong pl-3">
					{hazards.map((h) => CAUTIONS[h]).join(' ')}
					{single ? LABEL_BEFORE : LABEL_FIRST}
				</p>
			{/if}
			{#if session.tests.some((t) => t.method.kind === 'difference')}
				<p class="mt-3">
					{nameWithin('magnesium')} is found by difference: stop both titrations in the same way, at the first full
					colour or as you are used to.
				</p>
			{/if}
		</section>
	</div>
	{#if !single}<div class="mt-8 flex flex-wrap gap-3 border-t pt-5">
			<Button kind="primary" size="large" disabled={!desk.plan} onclick={onbegin}>Begin</Button>
			<Button kind="quiet" size="large" onclick={() => void desk.clear()}>Not now</Button>
		</div>{/if}
</div>
