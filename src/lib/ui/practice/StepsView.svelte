<script lang="ts">
	import { untrack } from 'svelte';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import type { ColourMethod } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import {
		absorbanceOf,
		CLEAR_DAY,
		cssOf,
		lightOfTable,
		lightThrough,
		MOST_QUESTIONS,
		nextPair,
		type PairAnswer,
		type Subject,
		type Surroundings
	} from '$lib/core/practice';
	import { UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import SeenVial from './drawn/SeenVial.svelte';
	import PairsKnown from './PairsKnown.svelte';
	import PracticeFrame from './PracticeFrame.svelte';
	import { TrialSender } from './TrialSender';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		method: ColourMethod;
		newId: () => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, method, newId, units, timeZone, now }: Props = $props();

	const clock = clockOf();
	const outbox = outboxOf();
	const base = $derived(`/waters/${waterId}/practice`);
	const sender = $derived(new TrialSender(waterId, { outbox, clock, newId }));
	const subject = $derived<Subject>({ kind: 'steps', methodCode: method.code });
	const colours = $derived(method.colourSteps.map((s) => s.colour.css));
	const unit = $derived(UNITS[method.unit].symbol);

	/** A vial is filled a little more or less, so that no two colours are the same to the dot. */
	const DEPTH = 0.07;
	const random = seededRandom(clock.now() % 2 ** 31);
	/** What was answered before goes on; another round begins from nothing. */
	let answers = $state.raw<readonly PairAnswer[]>(
		untrack(() =>
			practice.asked
				.flatMap((t) =>
					t.kind === 'steps' && t.methodCode === method.code
						? [{ pair: t.pair, right: t.shown === t.taken }]
						: []
				)
				.slice(-MOST_QUESTIONS)
		)
	);
	function freshQuestion() {
		const pair = nextPair(colours, answers);
		if (pair === null) return null;
		// With an untreated vial beside it, the water's own tint counts on both sides: that is what it is for.
		const around: Surroundings = { ...CLEAR_DAY, tinted: method.blank };
		return {
			pair,
			depth: 1 + DEPTH * (2 * random() - 1),
			from: random() < 0.5 ? ('above' as const) : ('side' as const),
			shown: random() < 0.5 ? ('lower' as const) : ('upper' as const),
			around,
			left: random() < 0.5
		};
	}
	let question = $state.raw(untrack(freshQuestion));
	let last = $state<{ readonly right: boolean; readonly was: number } | null>(null);

	function answer(taken: 'lower' | 'upper'): void {
		if (!question) return;
		const { pair, shown, around } = question;
		const right = shown === taken;
		last = { right, was: pair + (shown === 'upper' ? 1 : 0) };
		answers = [...answers, { pair, right }];
		question = freshQuestion();
		void sender.keep({ kind: 'steps', methodCode: method.code, pair, shown, taken, around });
	}
	function again(): void {
		answers = [];
		last = null;
		question = freshQuestion();
	}
	const light = (index: number, around: Surroundings, depth = 1) => {
		const [long, middle, short] = absorbanceOf(colours[index]!);
		return cssOf(lightThrough([long * depth, middle * depth, short * depth], around));
	};
	/** A comparator is turned: one step at a time stands beside the vial. */
	const isDisc = $derived(method.kind === 'comparator');
	let turned = $state<'lower' | 'upper'>('lower');
	function key(event: KeyboardEvent): void {
		if (!question || (event.target instanceof HTMLElement && event.target.closest('a, input'))) return;
		if (isDisc) {
			if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
				turned = turned === 'lower' ? 'upper' : 'lower';
			return;
		}
		if (event.key === 'ArrowLeft') answer(question.left ? 'lower' : 'upper');
		if (event.key === 'ArrowRight') answer(question.left ? 'upper' : 'lower');
	}
</script>

<svelte:window onkeydown={key} />

{#snippet patch(css: string, label: string, size: string)}
	<svg viewBox="0 0 10 10" preserveAspectRatio="none" class={size} role="img" aria-label={label}
		><rect width="10" height="10" fill={css} /></svg
	>
{/snippet}

<PracticeFrame
	{practice}
	{subject}
	label="Colour steps · {method.name} · question {Math.min(
		MOST_QUESTIONS,
		answers.length + 1
	)} of at most {MOST_QUESTIONS}"
	title="Which of the two is the vial?"
	lead="One vial, two neighbouring steps. Guess where you do not know: a guess tells as well. A screen is no daylight; it finds the pairs that lie near each other for your eye."
	{base}
	{units}
	{timeZone}
	{now}
>
	{#if question}
		{@const { pair, shown, around, left, depth, from } = question}
		{@const vial = light(pair + (shown === 'upper' ? 1 : 0), around, depth)}
		{@const table = cssOf(lightOfTable(around))}
		{@const order = left ? (['lower', 'upper'] as const) : (['upper', 'lower'] as const)}
		<div class="mt-5 border">
			{#if isDisc}
				{@const index = pair + (turned === 'upper' ? 1 : 0)}
				<div class="grid grid-cols-2">
					<SeenVial light={vial} {table} {from} label="The vial that reacted" />
					<SeenVial
						light={light(index, around)}
						{table}
						{from}
						label="The untreated vial over the step {plain(method.colourSteps[index]!.value)}"
					/>
				</div>
				<div class="flex flex-wrap items-center gap-3 border-t p-4">
					<span class="figures text-2xl font-bold"
						>{plain(method.colourSteps[index]!.value)}
						<span class="text-base font-normal text-muted">{unit}, under the untreated vial</span></span
					>
					<Button onclick={() => (turned = turned === 'lower' ? 'upper' : 'lower')}>Turn the disc</Button>
					<Button kind="primary" onclick={() => answer(turned)}>They match</Button>
				</div>
			{:else}
				<SeenVial
					light={vial}
					{table}
					{from}
					label="A vial, seen from {from === 'above' ? 'above' : 'its side'}, on white"
				/>
				<div class="grid grid-cols-2">
					{#each order as which (which)}
						{@const index = pair + (which === 'upper' ? 1 : 0)}
						<Button
							kind="bare"
							class="block border-t p-4 text-left even:border-l hover:bg-paper"
							onclick={() => answer(which)}
						>
							{@render patch(
								light(index, around),
								method.colourSteps[index]!.colour.name,
								'h-20 w-full border sm:h-28'
							)}
							<span class="figures mt-2 block text-2xl font-bold"
								>{plain(method.colourSteps[index]!.value)}
								<span class="text-base font-normal text-muted">{unit}</span></span
							>
						</Button>
					{/each}
				</div>
			{/if}
		</div>
		<p class="mt-3 min-h-6" role="status">
			{#if last}{last.right ? 'Right' : 'No'}: it was {plain(method.colourSteps[last.was]!.value)}
				{unit}.{/if}
		</p>
	{:else}
		<p class="mt-6 text-xl">Enough is known of this row for now.</p>
		<p class="mt-3">
			<Button onclick={again}>Ask again from the start</Button>
		</p>
	{/if}
	<PairsKnown {method} {answers} />
	<p class="mt-4">
		<a class="link" href="{base}?weigh=steps/{encodeURIComponent(method.code)}">Use it for my readings</a>
		<span class="text-muted">: a step that you take for its neighbour is then told as both.</span>
	</p>
</PracticeFrame>
