<script lang="ts">
	import { untrack } from 'svelte';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { seededRandom, typedNumber } from '$lib/core/numeric';
	import { SCALES, scaleExercise, scoreOfScale, type ScaleKind, type Subject } from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { fixed } from '$lib/format/number';
	import { MISREADING_NAMES, SCALE_NAMES } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Tabs from '$lib/ui/kit/Tabs.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import DrawnColumn from './drawn/DrawnColumn.svelte';
	import DrawnSyringe from './drawn/DrawnSyringe.svelte';
	import PracticeFrame from './PracticeFrame.svelte';
	import { TrialSender } from './TrialSender';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		scale: ScaleKind;
		newId: () => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, scale, newId, units, timeZone, now }: Props = $props();

	const clock = clockOf();
	const base = $derived(`/waters/${waterId}/practice`);
	const outbox = outboxOf();
	const sender = $derived(new TrialSender(waterId, { outbox, clock, newId }));
	const subject = $derived<Subject>({ kind: 'scale', scale });
	const random = seededRandom(clock.now() % 2 ** 31);
	let turn = $state(1);
	// Made by chance, so made once: the page is asked anew after every answer.
	let exercise = $state.raw(untrack(() => scaleExercise(random, scale)));
	/** A soft line is turned sharp before it is read. */
	let focus = $state(untrack(() => exercise.blur));
	let typed = $state('');
	let fault = $state<string | undefined>();
	let said = $state.raw<{
		readonly error: number;
		readonly slip: ReturnType<typeof scoreOfScale>['slip'];
		readonly truth: number;
	} | null>(null);

	const digits = $derived(scale === 'cuvette' ? 1 : scale === 'syringe' ? 3 : 4);
	const ASKS: Readonly<Record<ScaleKind, string>> = {
		syringe: 'Read the edge of the plunger that points to the tip.',
		float: 'Read where the flat surface of the water meets the scale: under the meniscus, not at its rim.',
		line: 'Turn it sharp, then read where dark meets light.',
		cuvette: 'How much is in it, in per cent of what its line asks for? Read under the meniscus.'
	};
	const title = $derived(
		scale === 'syringe'
			? exercise.asked === 'left'
				? 'How much is left in the syringe?'
				: 'How much was used of the full syringe?'
			: scale === 'cuvette'
				? 'Is it filled to the line?'
				: 'Where does it stand?'
	);
	function answer(event: SubmitEvent): void {
		event.preventDefault();
		if (said) return next();
		const value = typedNumber(typed);
		if (value === null || Number.isNaN(value)) {
			fault = 'Type it as a number, to the half division where you see one.';
			return;
		}
		fault = undefined;
		const { error, slip } = scoreOfScale(exercise, value);
		said = { error, slip, truth: exercise.truth };
		const bounded = Math.max(-1000, Math.min(1000, value));
		const { graduation, truth } = exercise;
		void sender.keep({ kind: 'scale', scale, graduation, truth, answer: bounded, slip });
	}
	function next(): void {
		said = null;
		typed = '';
		turn += 1;
		exercise = scaleExercise(random, scale);
		focus = exercise.blur;
	}
</script>

<PracticeFrame
	{practice}
	{subject}
	label="Scales · {SCALE_NAMES[scale]} · {turn}"
	{title}
	lead={ASKS[scale]}
	{base}
	{units}
	{timeZone}
	{now}
>
	<div class="mt-4">
		<Tabs
			label="Scales"
			items={SCALES.map((s) => ({
				href: `${base}/scale?scale=${s}`,
				name: SCALE_NAMES[s],
				current: s === scale
			}))}
		/>
	</div>
	<div class="mt-5 border bg-paper p-4">
		{#if scale === 'syringe'}
			<DrawnSyringe {exercise} />
		{:else}
			<DrawnColumn {exercise} blur={focus} />
			{#if scale === 'line'}
				<div class="mt-2 flex justify-center gap-3">
					<Button onclick={() => (focus = Math.min(8, focus + 1))}>Softer</Button>
					<Button onclick={() => (focus = Math.max(0.4, focus - 1))}>Sharper</Button>
				</div>
			{/if}
		{/if}
	</div>
	<form class="mt-5 flex flex-wrap items-end gap-3" onsubmit={answer}>
		<Field
			label="It reads"
			unit={scale === 'syringe' ? 'mL' : scale === 'cuvette' ? '%' : ''}
			inputmode="decimal"
			autocomplete="off"
			bind:value={typed}
			{fault}
			class="w-44"
			large
		/>
		<Button kind="primary" size="large" type="submit">{said ? 'Next' : 'That is it'}</Button>
	</form>
	<div class="mt-3 min-h-14" role="status">
		{#if said}
			<p class="text-xl font-semibold">
				It stands at {fixed(said.truth, digits)}: you were {fixed(Math.abs(said.error), 1)}
				{scale === 'cuvette' ? '%' : 'divisions'}
				{said.error > 0 ? 'above' : 'below'}.
			</p>
			{#if said.slip}
				<p class="mt-1">That is where it leads to take {MISREADING_NAMES[said.slip]}.</p>
			{/if}
		{/if}
	</div>
</PracticeFrame>
