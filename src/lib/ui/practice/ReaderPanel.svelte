<script lang="ts">
	import type { EyeSeen, PracticeAnswer } from '$lib/contract/practice-view';
	import { titrationsOf } from '$lib/core/method';
	import { pointOf } from '$lib/core/reading';
	import { subjectKey, type Subject } from '$lib/core/practice';
	import { UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { fixed } from '$lib/format/number';
	import { biasWords, parameterOf, stepUnit, subjectName } from '$lib/format/practice/practice';
	import { inUnit } from '$lib/format/quantity';
	import ErrorDots from './ErrorDots.svelte';
	import WorthList from './WorthList.svelte';

	interface Props {
		practice: PracticeAnswer;
		/** What is practised here; null on the first page. */
		subject: Subject | null;
		base: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { practice, subject, base, units, timeZone, now }: Props = $props();

	/** The one at hand, or the one that was answered most. */
	const eye = $derived.by((): EyeSeen | null => {
		const { eyes } = practice.me;
		if (subject) return eyes.find((e) => subjectKey(e.subject) === subjectKey(subject)) ?? null;
		return eyes.reduce<EyeSeen | null>(
			(most, e) => (!most || e.errors.length > most.errors.length ? e : most),
			null
		);
	});
	const isScale = $derived(eye?.subject.kind === 'scale');
	const unitOf = $derived.by(() => {
		const { methodCode = '', titration = 0 } = eye?.subject.kind === 'end-point' ? eye.subject : {};
		const method = practice.methods.find((m) => m.code === methodCode);
		return stepUnit(
			eye?.subject ?? { kind: 'scale', scale: 'line' },
			method ? titrationsOf(method)[titration]?.meter.kind === 'syringe' : false
		);
	});
	const words = $derived(eye && biasWords(eye, isScale));
	/** What a usual reading would be like, by this eye and by what the kit takes for granted. */
	const effect = $derived.by(() => {
		const found = eye?.effect;
		if (!found) return null;
		const [before, after] = [pointOf(found.before), pointOf(found.after)];
		if (!before || !after) return null;
		const { parameter } = found.after;
		const unit = units[parameter];
		const of = (p: typeof before) => inUnit(parameter, p.value, Math.hypot(p.uRandom, p.uCommon), unit);
		return {
			before: of(before),
			after: of(after),
			symbol: UNITS[unit].symbol,
			parameter,
			moved: after.value - before.value
		};
	});
</script>

<section aria-labelledby="reader-title">
	<h2 id="reader-title" class="label">You, as a reader</h2>
	{#if eye && words}
		{#if !subject}<p class="small mt-1 text-muted">{subjectName(eye.subject, practice.methods)}</p>{/if}
		<p class="figures mt-1 text-4xl leading-tight font-bold">
			{words.value} ± {words.plusMinus}
			<span class="text-base font-semibold text-muted">{unitOf} {words.sense}</span>
		</p>
		<p class="small figures text-muted">
			spread {fixed(eye.onScreen.spread.best, 1)} ({fixed(eye.onScreen.spread.lower, 1)} to {fixed(
				eye.onScreen.spread.upper,
				1
			)}), from {eye.errors.length}
			{eye.errors.length === 1 ? 'answer' : 'answers'}; kits assume {fixed(eye.usualU, 1)}
		</p>
		<ErrorDots
			middle={isScale ? 'where it stands' : 'the change'}
			errors={eye.errors}
			bias={eye.onScreen.bias}
			ends={isScale ? ['low', 'high'] : ['early', 'late']}
		/>
		{#if effect}
			<p class="figures mt-3">
				With it, your last {parameterOf(effect.parameter)} reads
				<strong>{effect.after.value} ± {effect.after.plusMinus}</strong>
				instead of {effect.before.value} ± {effect.before.plusMinus}
				{effect.symbol}.
				{#if Number(effect.after.plusMinus) > Number(effect.before.plusMinus)}
					That is wider than the kit assumes, and nearer to how it is.
				{/if}
			</p>
		{/if}
		{#if eye.real > 0}
			<p class="small mt-1 text-muted">
				{eye.real} blind {eye.real === 1 ? 'reading' : 'readings'} of real vials weigh in with it.
			</p>
		{:else}
			<p class="small mt-1 text-muted">
				A screen is no vial: at the bench it is widened by what a screen cannot know, until blind readings,
				repeats and standards tell.
			</p>
		{/if}
		{#if eye.used}
			<p class="mt-2">
				<strong>Used</strong>
				{eye.used.from === null
					? 'for all your readings'
					: `since ${shortDay(eye.used.from, timeZone, now)}`}.
				<a
					class="link"
					href="{base}?weigh={encodeURIComponent(subjectKey(eye.subject))}&decision=stop&span=all"
					>Use it no more</a
				>, or
				<a class="link" href="{base}?weigh={encodeURIComponent(subjectKey(eye.subject))}"
					>use what is known now</a
				>.
			</p>
		{:else}
			<p class="mt-2">
				<a class="link font-semibold" href="{base}?weigh={encodeURIComponent(subjectKey(eye.subject))}"
					>Use it from now on</a
				>
			</p>
		{/if}
	{:else}
		<p class="mt-2 text-muted">
			Nothing is known of {subject ? 'it' : 'your eye'} yet. After eight answers it can be used; from the first
			on it is told here, with how sure it is.
		</p>
	{/if}
</section>

<WorthList {practice} {base} {timeZone} {now} />
