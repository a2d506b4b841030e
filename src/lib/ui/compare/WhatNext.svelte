<script lang="ts">
	import type { ComparisonAnswer } from '$lib/contract/comparison';
	import { slopeIsSeen } from '$lib/core/comparison';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import {
		confoundSentence,
		errorSentence,
		formsSentence,
		likelierSentence,
		NEXT_WORDS
	} from '$lib/format/compare/comparison';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { Names } from './words';

	interface Props {
		comparison: ComparisonAnswer;
		paired: NonNullable<ComparisonAnswer['paired']>;
		/** Codes of those that can be tested here. */
		testable: readonly (string | null)[];
		base: string;
		parameter: ParameterId;
		names: Names;
		unit: UnitId;
		timeZone: string;
		now: Instant;
	}
	let { comparison, paired, testable, base, parameter, names, unit, timeZone, now }: Props = $props();
</script>

<section aria-labelledby="next" class="min-w-0">
	<div class="border-2 border-ink p-5">
		<h2 id="next" class="text-xl">What to do next</h2>
		{#if comparison.forms?.apart === 'not-interchangeable'}
			<p class="mt-1 text-lg">
				Compare kits that find the same form. Between these two a difference says nothing.
			</p>
		{:else if comparison.next}<p class="mt-1 text-lg">{NEXT_WORDS[comparison.next]}</p>{/if}
		{#if testable.length > 0}
			<p class="mt-4">
				<Button
					kind={comparison.next === 'go-on' ? 'secondary' : 'primary'}
					size="large"
					class="w-full"
					href="{base}/bench?tests={testable.join(',')}&times=2">Test both on one sample</Button
				>
			</p>
		{/if}
		<p class="mt-3 flex flex-wrap gap-x-6">
			<a class="link flex min-h-10 items-center" href="{base}/shelf">Check on a standard</a>
			<a class="link flex min-h-10 items-center" href="{base}/laboratory">Laboratory</a>
		</p>
	</div>
	{#if comparison.confounds.length > 0 && comparison.by !== 'water'}
		<p class="mt-4 border-l-4 border-warn pl-3">
			{confoundSentence(comparison.confounds, comparison.by)}
		</p>
	{/if}
	{#if comparison.forms}
		<p class="mt-4 border-l-4 border-warn pl-3">{formsSentence(comparison.forms, names)}</p>
	{/if}
	{#if comparison.likelier}
		<p class="mt-4 font-semibold">
			{comparison.asRead ? 'As first read: ' : ''}{likelierSentence(comparison.likelier, names)}
		</p>
	{/if}
	{#if comparison.errors}
		<ul class="small figures mt-2">
			<li class="border-t py-2">
				{errorSentence(parameter, comparison.errors.first, names.first, unit, timeZone, now)}
			</li>
			<li class="border-t py-2">
				{errorSentence(parameter, comparison.errors.second, names.second, unit, timeZone, now)}
			</li>
		</ul>
	{/if}
	{#if paired.limits && !paired.verdict.tooFew && slopeIsSeen(paired.limits)}
		<p class="small mt-2 border-t py-2">
			The difference changes with the level: the higher it is, the {paired.limits.slope > 0 ? 'more' : 'less'}
			{names.first} reads beside {names.second}.
		</p>
	{/if}
</section>
