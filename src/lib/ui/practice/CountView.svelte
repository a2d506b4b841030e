<script lang="ts">
	import { onDestroy } from 'svelte';
	import { chime } from '$lib/client/sound';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { seededRandom, typedNumber } from '$lib/core/numeric';
	import { countExercise, type CountExercise } from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { tallyWords } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
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
	let disturbed = $state(true);
	let exercise = $state.raw<CountExercise | null>(null);
	let running = $state(false);
	/** What just happened, in large. */
	let seen = $state<{ readonly what: string; readonly id: number } | null>(null);
	let typed = $state('');
	let fault = $state<string | undefined>();
	let said = $state<{ readonly drops: number; readonly answer: number } | null>(null);
	let timers: ReturnType<typeof setTimeout>[] = [];

	const stopAll = () => {
		for (const t of timers) clearTimeout(t);
		timers = [];
	};
	onDestroy(stopAll);

	function begin(): void {
		stopAll();
		exercise = countExercise(random, disturbed);
		running = true;
		said = null;
		typed = '';
		exercise.events.forEach(({ atS, what, amount }, i) => {
			timers.push(
				setTimeout(() => {
					if (what === 'drop') chime(660);
					if (what === 'pour') chime(440);
					const words =
						what === 'drop'
							? 'drop'
							: what === 'pour'
								? `${amount} drops at once`
								: what === 'call'
									? 'The telephone rings.'
									: `Somebody says: ${amount}`;
					seen = { what: words, id: i };
				}, atS * 1000)
			);
		});
		const end = exercise.events.at(-1)!.atS;
		timers.push(
			setTimeout(
				() => {
					running = false;
					seen = null;
				},
				(end + 1) * 1000
			)
		);
	}
	function answer(event: SubmitEvent): void {
		event.preventDefault();
		if (!exercise) return;
		const value = typedNumber(typed);
		if (value === null || !Number.isInteger(value) || value < 0 || value > 400) {
			fault = 'A whole number of drops, please.';
			return;
		}
		fault = undefined;
		said = { drops: exercise.drops, answer: value };
		void sender.keep({ kind: 'count', disturbed, drops: exercise.drops, answer: value });
	}
</script>

<PracticeFrame
	{practice}
	subject={null}
	label="Counting"
	title="How many drops were it?"
	lead="Drops fall at the pace of a hand. Count them; at the bench a press counts for you, and this tells what that is worth."
	{base}
	{units}
	{timeZone}
	{now}
>
	<div class="mt-5 flex flex-wrap gap-3">
		<Button kind="choice" pressed={disturbed} onclick={() => (disturbed = !disturbed)}
			>Disturbed: numbers, a telephone, a bottle that pours</Button
		>
	</div>
	<div class="mt-5 grid min-h-56 place-items-center border bg-paper p-6" aria-live="assertive">
		{#if running}
			{#key seen?.id}
				<p class="text-center text-4xl font-bold">
					{seen?.what === 'drop' ? '●' : (seen?.what ?? 'It begins …')}
				</p>
			{/key}
		{:else if exercise}
			<form class="flex flex-wrap items-end gap-3" onsubmit={answer}>
				<Field
					label="Drops in all"
					inputmode="numeric"
					autocomplete="off"
					bind:value={typed}
					{fault}
					large
					class="w-40"
				/>
				<Button kind="primary" size="large" type="submit">That many</Button>
			</form>
		{:else}
			<Button kind="primary" size="large" onclick={begin}>Let it drip</Button>
		{/if}
	</div>
	{#if said}
		<div class="mt-4" role="status">
			<p class="text-xl font-semibold">
				{said.drops === said.answer
					? `${said.drops}: right.`
					: `There were ${said.drops}: you counted ${Math.abs(said.answer - said.drops)} too ${said.answer > said.drops ? 'many' : 'few'}.`}
			</p>
			<p class="mt-3"><Button kind="primary" onclick={begin}>Once more</Button></p>
		</div>
	{/if}
	<dl class="mt-6 grid max-w-[24rem] grid-cols-2 gap-y-2 border-t pt-3">
		<dt class="text-muted">undisturbed</dt>
		<dd class="figures">{tallyWords(practice.me.counting.plain)}</dd>
		<dt class="text-muted">disturbed</dt>
		<dd class="figures">{tallyWords(practice.me.counting.disturbed)}</dd>
	</dl>
</PracticeFrame>
