<script lang="ts">
	import type { PracticeAnswer } from '$lib/contract/practice-view';
	import { seededRandom } from '$lib/core/numeric';
	import { SCOOPS, type Scoop } from '$lib/core/practice';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { SCOOP_NAMES, tallyWords } from '$lib/format/practice/practice';
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
	/** How high the powder stands above or below the rim, of the scoop's depth. */
	function freshScoop(): { readonly kind: Scoop; readonly height: number } {
		const kind = SCOOPS[Math.floor(random() * 3)]!;
		const height =
			kind === 'level' ? (random() - 0.5) * 0.06 : (kind === 'heaped' ? 1 : -1) * (0.14 + 0.3 * random());
		return { kind, height };
	}
	let shown = $state.raw(freshScoop());
	let last = $state<{ readonly shown: Scoop; readonly right: boolean } | null>(null);
	function answer(taken: Scoop): void {
		const { kind } = shown;
		last = { shown: kind, right: kind === taken };
		void sender.keep({ kind: 'scoop', shown: kind, taken });
		shown = freshScoop();
	}
	const rim = 80;
	const top = $derived(rim - shown.height * 70);
</script>

<PracticeFrame
	{practice}
	subject={null}
	label="Scoops"
	title="Short, level or heaped?"
	lead="Powder counts by volume: a heaped scoop is a fifth more, and the colour comes darker or earlier than the card was made for."
	{base}
	{units}
	{timeZone}
	{now}
>
	<div class="mt-5 border bg-paper p-4">
		<svg
			viewBox="0 0 400 190"
			class="mx-auto w-full max-w-[34rem]"
			role="img"
			aria-label="A scoop with powder, from the side"
		>
			<path
				d="M110 {rim} L110 130 Q110 155 140 155 L220 155 Q250 155 250 130 L250 {rim}"
				class="fill-none stroke-ink"
				stroke-width="4"
			/>
			<path d="M250 {rim + 6} L392 {rim - 22}" class="stroke-ink" stroke-width="8" />
			<path
				d="M113 {Math.max(rim, top)} L113 130 Q113 152 140 152 L220 152 Q247 152 247 130 L247 {Math.max(
					rim,
					top
				)} {shown.height > 0 ? `Q180 ${2 * top - rim} 113 ${rim}` : `Q180 ${top + 6} 113 ${top}`} Z"
				class="fill-line-strong"
			/>
		</svg>
	</div>
	<div class="mt-5 flex flex-wrap gap-3">
		{#each SCOOPS as kind (kind)}<Button size="large" onclick={() => answer(kind)}>{SCOOP_NAMES[kind]}</Button
			>{/each}
	</div>
	<p class="mt-3 min-h-6" role="status">
		{#if last}{last.right ? 'Right' : 'No'}: it was {SCOOP_NAMES[last.shown].toLowerCase()}.{/if}
		<span class="text-muted"
			>{practice.me.scoops.of > 0 ? `In all ${tallyWords(practice.me.scoops)}.` : ''}</span
		>
	</p>
</PracticeFrame>
