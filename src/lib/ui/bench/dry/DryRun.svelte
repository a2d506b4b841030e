<script lang="ts">
	import { untrack } from 'svelte';
	import { onMount } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import { USUAL_HANDLING, type Handling } from '$lib/contract/handling';
	import type { StepNoteSeen } from '$lib/contract/practice-view';
	import type { Method } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import { absorbanceOf, CLEAR_DAY, cssOf, lightOfTable, lightThrough } from '$lib/core/practice';
	import { plain } from '$lib/format/number';
	import { stoppedWords } from '$lib/format/practice/practice';
	import { approachVial } from '$lib/ui/instrument/vial/approach-vial';
	import DropHand from '$lib/ui/instrument/vial/DropHand.svelte';
	import VialStage from '$lib/ui/instrument/vial/VialStage.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import type { Habits } from '$lib/ui/shared/reading-draft';
	import { makeDraft } from '../make-draft';
	import RunStep from '../run/RunStep.svelte';

	interface Props {
		waterId: string;
		method: Method;
		habits: Habits;
		handling?: Handling;
		stepNotes: readonly StepNoteSeen[];
		/** Where one comes back to. */
		back: string;
	}
	let { waterId, method, habits, handling = USUAL_HANDLING, stepNotes, back }: Props = $props();

	const clock = clockOf();
	/** A desk of its own, that keeps nothing: the tests at the real bench stay where they are. */
	const nowhere = {
		read: () => Promise.resolve(null),
		write: () => Promise.resolve(),
		remove: () => Promise.resolve()
	};
	const desk = new BenchDesk(clock, nowhere);
	const newId = idMaker(clock);
	const random = seededRandom(clock.now() % 2 ** 31);

	function begin(): void {
		const choice = {
			portion: 'full' as const,
			dilution: null,
			ageH: 0,
			keptHow: '',
			kit: null,
			standard: null
		};
		const draft = makeDraft(waterId, method, choice, null, { habits, newId, now: clock.now() });
		desk.start({ ...draft, guidance: 'full' });
	}
	onMount(() => {
		void desk.open().then(begin);
		const ticking = setInterval(() => desk.tick(), 250);
		return () => clearInterval(ticking);
	});

	const action = $derived(desk.progress?.step?.action ?? null);
	const which = $derived<0 | 1>(action?.kind === 'titrate' && action.titration === 1 ? 1 : 0);
	const isTitrating = $derived(action?.kind === 'titrate');
	const isReading = $derived(action?.kind === 'read');
	const over = $derived(desk.ready && desk.draft !== null && desk.progress?.step === null);
	const sim = $derived.by(() => {
		if (!isTitrating) return null;
		const titration = which;
		return untrack(() => approachVial(random, method, titration, CLEAR_DAY));
	});
	let stoppedAt = $state<number | null>(null);
	function turned(): void {
		if (!sim) return;
		if (stoppedAt === null) stoppedAt = sim.errorDrops;
		else {
			stoppedAt = null;
			desk.note('step-done');
		}
	}
	/** Where the simulated vial stands among the steps. */
	const place = $derived.by(() =>
		'colourSteps' in method ? Math.floor(random() * method.colourSteps.length) : 0
	);
	let taken = $state<number | null>(null);
</script>

<p class="mx-auto max-w-[80rem] px-4 pt-4 font-semibold lg:px-8" role="note">
	Dry run: nothing is measured and nothing is recorded.
	<a class="link font-normal" href={back}>Back to Practice</a>
</p>
{#if over}
	<main class="page">
		<h1 class="text-3xl md:text-4xl">That was the whole test</h1>
		<p class="mt-3 flex flex-wrap gap-3">
			<Button kind="primary" href={back}>Back to Practice</Button>
			<Button onclick={begin}>Once more</Button>
		</p>
	</main>
{:else if sim && desk.progress?.step}
	<main class="page">
		<p class="label figures">{method.name} · step {desk.progress.stepIndex + 1} of {desk.steps.length}</p>
		<h1 class="mt-2 text-3xl leading-tight text-balance md:text-4xl">{desk.progress.step.say}</h1>
		<p class="mt-2 max-w-[40rem] text-muted">{desk.progress.step.detail}</p>
		<div class="mt-4 max-w-[44rem]"><VialStage {sim} /></div>
		<p class="figures mt-3 text-4xl font-bold">
			{sim.drops} <span class="text-xl font-semibold text-muted">drops</span>
		</p>
		{#if stoppedAt !== null}<p class="mt-2 text-xl font-semibold" role="status">
				{stoppedWords(stoppedAt, null, '')}
			</p>{/if}
		{#if stoppedAt === null}
			<DropHand {sim} onstop={turned} />
		{:else}
			<p class="mt-4"><Button kind="primary" size="large" onclick={turned}>Go on</Button></p>
		{/if}
	</main>
{:else if isReading && 'colourSteps' in method && desk.progress?.step}
	<main class="page">
		<p class="label figures">{method.name} · step {desk.progress.stepIndex + 1} of {desk.steps.length}</p>
		<h1 class="mt-2 text-3xl leading-tight text-balance md:text-4xl">{desk.progress.step.say}</h1>
		<p class="mt-2 max-w-[40rem] text-muted">{desk.progress.step.detail}</p>
		<svg
			viewBox="0 0 600 220"
			class="mt-4 w-full max-w-[44rem] border"
			role="img"
			aria-label="A vial from above, on white"
		>
			<rect width="600" height="220" fill={cssOf(lightOfTable(CLEAR_DAY))} />
			<circle
				cx="300"
				cy="110"
				r="80"
				fill={cssOf(lightThrough(absorbanceOf(method.colourSteps[place]!.colour.css), CLEAR_DAY))}
				stroke="#8a8a8a"
				stroke-width="3"
			/>
		</svg>
		<ul class="mt-4 flex flex-wrap gap-2">
			{#each method.colourSteps as step, i (step.value)}
				<li>
					<Button kind="choice" pressed={taken === i} onclick={() => (taken = i)}>{plain(step.value)}</Button>
				</li>
			{/each}
		</ul>
		{#if taken !== null}
			<p class="mt-3 text-xl font-semibold" role="status">
				It was {plain(method.colourSteps[place]!.value)}{taken === place ? ', as you read it' : ''}.
			</p>
			<p class="mt-3">
				<Button kind="primary" size="large" onclick={() => ((taken = null), desk.note('step-done'))}
					>Go on</Button
				>
			</p>
		{/if}
	</main>
{:else if isReading && desk.progress?.step}
	<main class="page">
		<h1 class="text-3xl leading-tight text-balance md:text-4xl">{desk.progress.step.say}</h1>
		<p class="mt-2 max-w-[40rem] text-muted">{desk.progress.step.detail}</p>
		<p class="mt-4">
			<Button kind="primary" size="large" onclick={() => desk.note('step-done')}>Read, go on</Button>
		</p>
	</main>
{:else if desk.ready && desk.draft && desk.progress?.step}
	<RunStep {desk} device={null} {stepNotes} {handling} ongiveup={begin} />
{/if}
