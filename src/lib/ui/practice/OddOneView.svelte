<script lang="ts">
	import { untrack } from 'svelte';
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { colourDifference, seenBy, toldApart } from '$lib/core/colour';
	import { titrationsOf } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import {
		LINES,
		linesKnown,
		nextOdd,
		ODD_QUESTIONS,
		oddOne,
		weakestLine,
		type OddAnswer
	} from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { fixed, plain } from '$lib/format/number';
	import { LINE_NAMES } from '$lib/format/practice/practice';
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
	const ALL = LINES.length * ODD_QUESTIONS;
	/** A round that was begun before goes on; one that is over stands until another is begun. */
	let round = $state.raw<readonly OddAnswer[]>(
		untrack(() => {
			const before = practice.asked.flatMap((t) => (t.kind === 'odd-one' ? [t] : []));
			return before.slice(before.length - (before.length % ALL || Math.min(ALL, before.length)));
		})
	);
	function freshQuestion() {
		const next = nextOdd(round);
		return next && oddOne(random, next.line, next.distance);
	}
	let question = $state.raw(freshQuestion());
	function answer(place: number): void {
		if (!question) return;
		const { line, distance, odd } = question;
		const right = place === odd;
		round = [...round, { line, distance, right }];
		question = freshQuestion();
		void sender.keep({ kind: 'odd-one', line, distance, right });
	}
	function again(): void {
		round = [];
		question = freshQuestion();
	}
	const known = $derived(round.length >= ALL ? linesKnown(round) : null);
	const weak = $derived(weakestLine(round));
	/** Pairs of steps and end colours that lie near each other for such an eye, and not for the usual one. */
	const near = $derived.by(() => {
		if (!weak) return [];
		return practice.methods.flatMap((m) => {
			const rows =
				'colourSteps' in m
					? m.colourSteps.slice(1).map((s, i) => ({
							a: m.colourSteps[i]!.colour,
							b: s.colour,
							of: `${plain(m.colourSteps[i]!.value)} and ${plain(s.value)}`
						}))
					: titrationsOf(m).map((t) => ({
							a: t.colours.start,
							b: t.colours.end,
							of: `${t.colours.start.name} and ${t.colours.end.name}`
						}));
			const found = rows.filter(({ a, b }) => {
				const usual = colourDifference(a.css, b.css);
				const own = colourDifference(seenBy(a.css, weak), seenBy(b.css, weak));
				return toldApart(own) === 'hard to tell' && own < 0.8 * usual;
			});
			return found.length > 0 ? [{ method: m, found }] : [];
		});
	});
</script>

{#snippet patch(css: string, place: number)}
	<Button kind="bare" class="block border hover:border-ink" onclick={() => answer(place)}>
		<svg
			viewBox="0 0 10 10"
			preserveAspectRatio="none"
			class="h-32 w-full sm:h-40"
			role="img"
			aria-label="Patch {place + 1}"><rect width="10" height="10" fill={css} /></svg
		>
	</Button>
{/snippet}

<PracticeFrame
	{practice}
	subject={null}
	label="Telling colours apart · {Math.min(ALL, round.length + 1)} of {ALL}"
	title={question ? 'Which one is of another colour?' : 'What your eye tells apart'}
	lead="Lighter and darker do not count. Guess where you see none. This is no examination of eyes and no diagnosis: it says which kits may be mixed up, and how they are better read."
	{base}
	{units}
	{timeZone}
	{now}
>
	{#if question}
		<div class="mt-5 grid grid-cols-2 gap-3 bg-[#9a9a9a] p-4 sm:grid-cols-4">
			{#each question.patches as css, place (place)}{@render patch(css, place)}{/each}
		</div>
	{:else if known}
		<ul class="mt-5 border-t">
			{#each known as { line, threshold, weaker } (line)}
				<li class="flex flex-wrap justify-between gap-x-4 border-b py-2">
					<span>{LINE_NAMES[line]}</span>
					<span class="figures {weaker > 0.8 ? 'font-semibold' : 'text-muted'}"
						>told from a distance of {fixed(threshold, 0)}{weaker > 0.8
							? ': about half as fine as the others'
							: ''}</span
					>
				</li>
			{/each}
		</ul>
		{#if weak}
			<p class="mt-4 text-lg">
				Colours that differ {LINE_NAMES[weak]} lie nearer to each other for you than for most.
			</p>
			{#each near as { method, found } (method.code)}
				<p class="mt-2">
					<strong>{method.name}</strong>: {found.map((f) => f.of).join(', ')} may be taken for each other.
					{'colourSteps' in method
						? 'Let a second person read it too, or use a kit that shows a number.'
						: 'Watch the lightness and the first change, count on a blank beside it, or use a kit that shows a number.'}
				</p>
			{:else}
				<p class="mt-2 text-muted">None of your kits has colours that this brings nearer than they are.</p>
			{/each}
		{:else}
			<p class="mt-4 text-lg">No line stands out: your kits’ colours lie as far apart for you as for most.</p>
		{/if}
		<p class="mt-5"><Button onclick={again}>Ask again</Button></p>
	{/if}
</PracticeFrame>
