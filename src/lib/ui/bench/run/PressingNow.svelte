<script lang="ts">
	import { chime } from '$lib/client/sound';
	import { isFree, stepsFor } from '$lib/core/method';
	import { progressOf } from '$lib/core/bench';
	import { nameWithin, PARAMETERS } from '$lib/core/quantity';
	import { countdown } from '$lib/format/date';
	import { overdueWords } from '$lib/format/bench/bench';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';

	let { desk }: { desk: BenchDesk } = $props();

	/** What comes due within this is told while something else is in hand, ms. */
	const SOON_MS = 45_000;

	const nameOf = (runId: string) => {
		const test = desk.session?.tests.find((t) => t.runId === runId);
		return test ? PARAMETERS[test.method.parameter].name : '';
	};
	/** Waits of the other tests that end soon or are over, with what comes then; the most pressing first. */
	const pressing = $derived(
		desk.timers
			.filter((t) => t.runId !== desk.session?.at && t.leftMs < SOON_MS)
			.map((timer) => {
				const test = desk.session!.tests.find((t) => t.runId === timer.runId)!;
				const steps = stepsFor(test.method, test.portion);
				const { stepIndex, step, ahead } = progressOf(steps, test.log);
				const exact = step?.action.kind === 'stand' && step.action.exactly === true;
				const then = steps.slice(stepIndex + 1).find((s) => !isFree(s) && !ahead.has(s.id));
				return { ...timer, exact, then: then?.say ?? '', name: nameWithin(test.method.parameter) };
			})
			.sort((a, b) => Number(b.exact) - Number(a.exact) || a.leftMs - b.leftMs)
	);
	const overdue = $derived((desk.remaining?.overdue ?? []).filter((o) => o.test !== desk.session?.at));
	const own = $derived((desk.remaining?.overdue ?? []).find((o) => o.test === desk.session?.at));

	let rung = '';
	$effect(() => {
		const now = pressing
			.filter((p) => p.over)
			.map((p) => p.runId)
			.join();
		if (now && now !== rung) chime();
		rung = now;
	});
</script>

{#if own || overdue.length > 0 || pressing.length > 0}
	<div class="grid gap-px border-b bg-line" role="status">
		{#each own ? [own, ...overdue] : overdue as late (late.test)}
			<p class="bg-surface px-4 py-2 font-semibold text-warn lg:px-8">
				{overdueWords(late, nameOf(late.test))}
			</p>
		{/each}
		{#each pressing.slice(0, 2) as p (p.runId)}
			<div class="flex flex-wrap items-center gap-x-4 gap-y-1 bg-surface px-4 py-2 lg:px-8">
				<strong class="figures text-lg">{p.over ? 'Now' : `In ${countdown(p.leftMs)}`}</strong>
				<span class="min-w-0 grow">{nameOf(p.runId)}{p.exact ? ', exactly' : ''}: {p.then}</span>
				<Button kind={p.over && p.exact ? 'primary' : 'secondary'} onclick={() => desk.select(p.runId)}
					>Go to {p.name}</Button
				>
			</div>
		{/each}
	</div>
{/if}
