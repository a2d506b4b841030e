<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { titrationsOf, type Method } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import {
		CLEAR_DAY,
		worthOfStep,
		type EndPointMode,
		type Subject,
		type Surroundings
	} from '$lib/core/practice';
	import { convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { stoppedWords, subjectName } from '$lib/format/practice/practice';
	import { approachVial } from '$lib/ui/instrument/vial/approach-vial';
	import DropHand from '$lib/ui/instrument/vial/DropHand.svelte';
	import type { SimVial } from '$lib/ui/instrument/vial/SimVial.svelte';
	import VialStage from '$lib/ui/instrument/vial/VialStage.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Tabs from '$lib/ui/kit/Tabs.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import ApproachCurve from './ApproachCurve.svelte';
	import PracticeFrame from './PracticeFrame.svelte';
	import { TrialSender } from './TrialSender';

	interface Props {
		waterId: string;
		practice: PracticeAnswer;
		method: Method;
		which: 0 | 1;
		mode: EndPointMode;
		newId: () => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, practice, method, which, mode, newId, units, timeZone, now }: Props = $props();

	const clock = clockOf();
	const outbox = outboxOf();
	const base = $derived(`/waters/${waterId}/practice`);
	const sender = $derived(new TrialSender(waterId, { outbox, clock, newId }));
	const titration = $derived(titrationsOf(method)[which]!);
	const subject = $derived<Subject>({ kind: 'end-point', methodCode: method.code, titration: which });
	const unit = $derived(units[titration.parameter]);
	/** One drop, in the unit that the person has. */
	const worth = $derived.by(() => {
		const canonical = worthOfStep(method, titration);
		return canonical === null
			? null
			: convertSpan(canonical, PARAMETERS[titration.parameter].canonicalUnit, unit);
	});
	const VIALS = 8;

	const DISTURBANCES: readonly Partial<Surroundings>[] = [
		{ lamp: 'weak' },
		{ lamp: 'warm' },
		{ table: 'coloured' },
		{ tinted: true },
		{ cloudy: true },
		{ lamp: 'warm', tinted: true }
	];
	const AROUND_WORDS = (a: Surroundings) =>
		[
			a.lamp === 'weak' ? 'weak light' : a.lamp === 'warm' ? 'a warm lamp' : 'daylight',
			a.table === 'coloured' ? 'on wood' : 'on white',
			a.tinted ? 'yellowish water' : '',
			a.cloudy ? 'cloudy' : ''
		]
			.filter(Boolean)
			.join(', ');

	let random = seededRandom(clock.now() % 2 ** 31);
	let vial = $state(1);
	let stopped = $state<{ readonly error: number; readonly drops: number } | null>(null);
	let watching = $state<number | null>(null);

	function freshSim(m: Method, w: 0 | 1, how: EndPointMode): SimVial {
		const around =
			how === 'disturbed'
				? { ...CLEAR_DAY, ...DISTURBANCES[Math.floor(random() * DISTURBANCES.length)] }
				: CLEAR_DAY;
		return approachVial(random, m, w, around);
	}
	// Made by chance, so made once: the page is asked anew after every vial.
	let sim = $state.raw(untrack(() => freshSim(method, which, mode)));
	const shown = $derived(mode === 'slow' || watching !== null);

	function next(): void {
		stopWatching();
		stopped = null;
		vial = vial >= VIALS ? 1 : vial + 1;
		sim = freshSim(method, which, mode);
	}
	function stop(): void {
		if (stopped) return;
		const { errorDrops: error, drops, lastDropMl, state, changeMl, around, seconds } = sim;
		stopped = { error, drops };
		const { dropMl } = sim.vial;
		void sender.keep({
			kind: 'end-point',
			methodCode: method.code,
			titration: which,
			mode,
			changeMl,
			stoppedMl: state.addedMl,
			lastDropMl: Math.min(1, lastDropMl),
			dropMl,
			around,
			tookS: Math.min(7200, Math.round(seconds))
		});
	}
	/** What was stopped is gone on from by the same keys. */
	function key(event: KeyboardEvent): void {
		const { target } = event;
		if (!stopped || (target instanceof HTMLElement && target.closest('a, button, input, select, summary')))
			return;
		if (event.repeat || (event.key !== ' ' && event.key !== 'Enter')) return;
		event.preventDefault();
		next();
	}

	/** The whole approach by itself, at a chosen speed; nothing of it is kept. */
	function watch(everyMs: number): void {
		stopWatching();
		stopped = null;
		sim = freshSim(method, which, mode);
		watching = everyMs;
		const timer = setInterval(() => {
			sim.drop();
			if (sim.errorDrops > 3) {
				clearInterval(timer);
				watched = undefined;
			}
		}, everyMs);
		watched = timer;
	}
	let watched: ReturnType<typeof setInterval> | undefined;
	function stopWatching(): void {
		clearInterval(watched);
		watched = undefined;
		watching = null;
	}
	onDestroy(() => clearInterval(watched));

	const here = $derived(`${base}/end-point?kit=${encodeURIComponent(method.code)}&which=${which}`);
	const swatches = $derived([
		['start', titration.colours.start],
		['on the way', titration.colours.passing],
		['the end', titration.colours.end]
	] as const);
</script>

<svelte:window onkeydown={key} />

<PracticeFrame
	{practice}
	{subject}
	label="End points · {subjectName(subject, practice.methods)} · vial {vial} of {VIALS}"
	title="Stop at the first full {titration.colours.end.name}"
	lead="The vial is mixed by itself. Each press is one drop; held, it streams. Nothing tells you when."
	{base}
	{units}
	{timeZone}
	{now}
>
	<div class="mt-4">
		<Tabs
			label="How"
			items={[
				{ href: `${here}&mode=slow`, name: 'With the curve', current: mode === 'slow' },
				{ href: `${here}&mode=plain`, name: 'Without', current: mode === 'plain' },
				{ href: `${here}&mode=disturbed`, name: 'Disturbed', current: mode === 'disturbed' }
			]}
		/>
	</div>
	<div class="mt-4 grid gap-5 sm:grid-cols-[minmax(0,1fr)_15rem]">
		<VialStage {sim} />
		<div>
			<ul class="flex gap-4">
				{#each swatches as [label, colour] (label)}
					<li class="small w-16">
						<svg viewBox="0 0 48 48" class="size-12 border" aria-hidden="true"
							><rect width="48" height="48" fill={colour.css} /></svg
						>
						<span class="mt-1 block leading-tight">{colour.name}</span>
						<span class="block text-muted">{label}</span>
					</li>
				{/each}
			</ul>
			<p class="figures mt-5 text-5xl leading-none font-bold" aria-live="polite">
				{sim.drops} <span class="text-2xl font-semibold text-muted">drops</span>
			</p>
			<p class="small mt-2 text-muted">{AROUND_WORDS(sim.around)}</p>
			{#if shown && !stopped}
				<ApproachCurve
					vial={sim.vial}
					changeMl={sim.changeMl}
					drops={sim.drops}
					atMl={() => sim.state.addedMl}
				/>
			{/if}
		</div>
	</div>
	{#if stopped}
		<div class="mt-5 border-t pt-4" role="status">
			<p class="text-2xl font-semibold">
				{stoppedWords(stopped.error, worth, UNITS[unit].symbol)}
			</p>
			<ApproachCurve
				vial={sim.vial}
				changeMl={sim.changeMl}
				drops={stopped.drops}
				atMl={() => sim.state.addedMl}
				wide
			/>
			{#if mode === 'slow'}<p class="small mt-1 text-muted">
					With the curve beside it, it is a lesson: it does not count as a measurement of you.
				</p>{/if}
			<p class="mt-4"><Button kind="primary" size="large" onclick={next}>Next vial</Button></p>
		</div>
	{:else if watching !== null}
		<div class="mt-5 flex flex-wrap items-center gap-3">
			<Button kind="primary" size="large" onclick={next}>Now by hand</Button>
			<p class="text-muted">It drips by itself; nothing of it is kept.</p>
		</div>
	{:else}
		<DropHand {sim} onstop={stop} />
	{/if}
	<div class="mt-6 flex flex-wrap items-center gap-x-5 gap-y-2 border-t pt-3">
		<span class="small text-muted">See the approach</span>
		<Button kind="text" class="min-h-11" onclick={() => watch(3000)}>as slow as it should be</Button>
		<Button kind="text" class="min-h-11" onclick={() => watch(900)}>as most people drip</Button>
		<Button kind="text" class="min-h-11" onclick={() => watch(300)}>too fast</Button>
		<a class="link min-h-11 py-2.5" href="{base}/dry?kit={encodeURIComponent(method.code)}"
			>Dry run of the whole test</a
		>
	</div>
</PracticeFrame>
