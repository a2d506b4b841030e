<script lang="ts">
	import type { Plan, Wish } from '$lib/core/bench';
	import { stepsFor } from '$lib/core/method';
	import { PARAMETERS } from '$lib/core/quantity';
	import { wishWords } from '$lib/format/bench/bench';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import type { BenchDraft, BenchSession } from '$lib/ui/shared/bench-session';

	interface Props {
		session: BenchSession;
		plan: Plan | null;
		/** Wishes that the plan could not keep. */
		broken: readonly Wish[];
		chosen: string | null;
		/** Seconds from the beginning of the session to the beginning of the plan. */
		sinceBegunS: number;
		onchoose: (step: string) => void;
		onwishes: (wishes: readonly Wish[]) => void;
	}
	let { session, plan, broken, chosen, sinceBegunS, onchoose, onwishes }: Props = $props();

	const NUDGE_S = 60;
	const nameOf = (runId: string) => {
		const test = session.tests.find((t) => t.runId === runId);
		if (!test) return 'A test';
		const same = session.tests.filter((t) => t.method.parameter === test.method.parameter);
		return same.length > 1
			? `${PARAMETERS[test.method.parameter].name} ${same.indexOf(test) + 1}`
			: PARAMETERS[test.method.parameter].name;
	};
	const stepsOf = (test: BenchDraft) =>
		stepsFor(test.method, test.portion)
			.filter((s) => s.action.kind !== 'stand')
			.map((s) => ({ name: `${test.runId}/${s.id}`, say: s.say }));
	const test = $derived(
		session.tests.find((t) => chosen?.startsWith(`${t.runId}/`)) ?? session.tests[0] ?? null
	);
	const step = $derived(chosen ?? (test ? stepsOf(test)[0]?.name : null) ?? null);
	const startS = $derived(plan?.placed.find((p) => p.step === step)?.startS ?? null);
	const pin = $derived(session.wishes.find((w) => w.kind === 'pin' && w.step === step));
	const alone = $derived(session.wishes.find((w) => w.kind === 'alone' && w.test === test?.runId));
	const others = $derived(session.tests.filter((t) => t !== test));

	function pinAt(s: number): void {
		if (!step) return;
		const rest = session.wishes.filter((w) => w !== pin);
		onwishes([...rest, { kind: 'pin', step, atS: Math.max(0, Math.round(s)) }]);
	}
	const without = (wish: Wish | undefined) => onwishes(session.wishes.filter((w) => w !== wish));
	const minutes = (s: number) => `${Math.floor(s / 60)}:${String(Math.round(s % 60)).padStart(2, '0')}`;
</script>

{#if test && step}
	<div class="grid gap-3">
		<div class="flex flex-wrap items-end gap-3">
			<Choice
				label="Test"
				quiet
				large
				class="min-w-40 grow"
				value={test.runId}
				items={session.tests.map((t) => ({ value: t.runId, name: nameOf(t.runId) }))}
				onpick={(runId) => {
					const own = session.tests.find((t) => t.runId === runId);
					const first = own && stepsOf(own)[0];
					if (first) onchoose(first.name);
				}}
			/>
			<Choice
				label="Step"
				quiet
				large
				class="min-w-40 grow-[3]"
				value={step}
				items={stepsOf(test).map((s) => ({ value: s.name, name: s.say }))}
				onpick={onchoose}
			/>
		</div>
		<div class="flex flex-wrap items-center gap-2">
			{#if startS !== null}
				<span class="figures mr-2">at {minutes(startS + sinceBegunS)} min</span>
				{#if pin}
					<Button onclick={() => without(pin)}>Let it move again</Button>
				{:else}
					<Button onclick={() => pinAt(startS + sinceBegunS)}>Keep it there</Button>
				{/if}
				<Button onclick={() => pinAt(startS + sinceBegunS - NUDGE_S)}>1 min earlier</Button>
				<Button onclick={() => pinAt(startS + sinceBegunS + NUDGE_S)}>1 min later</Button>
			{/if}
			{#if others.length > 0}
				{#if alone}
					<Button onclick={() => without(alone)}>Others may come in between</Button>
				{:else}
					<Button onclick={() => onwishes([...session.wishes, { kind: 'alone', test: test.runId }])}
						>Nothing in between</Button
					>
				{/if}
				<Button
					onclick={() =>
						onwishes([
							...session.wishes.filter((w) => w.kind !== 'first'),
							...others.map((o) => ({ kind: 'first', test: test.runId, before: o.runId }) as const)
						])}>Do this test first</Button
				>
			{/if}
			{#if session.wishes.length > 0}
				<Button kind="quiet" onclick={() => onwishes([])}>Forget all that was kept</Button>
			{/if}
		</div>
		{#each broken as wish, i (i)}
			<p role="alert" class="small font-semibold text-warn">
				{wishWords(wish, nameOf)} The plan leaves it out.
			</p>
		{/each}
	</div>
{/if}
