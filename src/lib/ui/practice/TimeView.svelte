<script lang="ts">
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { seededRandom } from '$lib/core/numeric';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { fixed } from '$lib/format/number';
	import { percent } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import PracticeFrame from './PracticeFrame.svelte';
	import { TrialSender } from './TrialSender';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		newId: () => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, newId, units, timeZone, now }: Props = $props();

	const clock = clockOf();
	const outbox = outboxOf();
	const base = $derived(`/waters/${waterId}/practice`);
	const sender = $derived(new TrialSender(waterId, { outbox, clock, newId }));
	const random = seededRandom(clock.now() % 2 ** 31);
	/** As kits ask for: swirling, and waits short enough to sit through. */
	const ASKED = { swirl: [10, 15, 20], wait: [20, 30, 45] } as const;
	function freshTask() {
		const what = random() < 0.5 ? ('swirl' as const) : ('wait' as const);
		return { what, askedS: ASKED[what][Math.floor(random() * 3)]! };
	}
	let task = $state.raw(freshTask());
	let begun = $state<number | null>(null);
	let took = $state<number | null>(null);

	function press(): void {
		if (begun === null) {
			took = null;
			begun = performance.now();
			return;
		}
		const tookS = Math.round((performance.now() - begun) / 100) / 10;
		begun = null;
		took = tookS;
		void sender.keep({ kind: 'time', what: task.what, askedS: task.askedS, tookS: Math.min(7200, tookS) });
	}
	function next(): void {
		took = null;
		task = freshTask();
	}
	const timing = $derived(practice.me.timing);
</script>

<PracticeFrame
	{practice}
	subject={null}
	label="Times by feeling"
	title="{task.what === 'swirl' ? 'Swirl for' : 'Wait exactly'} {task.askedS} seconds, without a clock"
	lead="At the bench a timer runs. This tells how far off it is to do without one."
	{base}
	{units}
	{timeZone}
	{now}
>
	<div class="mt-6 grid min-h-56 place-items-center border bg-paper p-6">
		{#if took === null}
			<Button kind="primary" size="large" class="min-w-60" onclick={press}
				>{begun === null ? 'It begins now' : 'It is over now'}</Button
			>
		{:else}
			<div class="text-center" role="status">
				<p class="figures text-4xl font-bold">{fixed(took, 1)} s</p>
				<p class="mt-1 text-lg">
					{Math.abs(took - task.askedS) < 0.05
						? 'just right'
						: `${fixed(Math.abs(took - task.askedS), 1)} s too ${took > task.askedS ? 'long' : 'short'}`}
				</p>
				<p class="mt-4"><Button kind="primary" onclick={next}>Next</Button></p>
			</div>
		{/if}
	</div>
	{#if timing}
		<p class="figures mt-4">
			{timing.times}
			{timing.times === 1 ? 'time' : 'times'}: on average {percent(Math.abs(timing.meanOff))} too {timing.meanOff >
			0
				? 'long'
				: 'short'}, spread {percent(timing.spread)}. An “exactly” allows 10 %.
		</p>
	{/if}
</PracticeFrame>
