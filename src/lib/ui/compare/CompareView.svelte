<script lang="ts">
	import { goto } from '$app/navigation';
	import { COMPARED_BY, type ComparedBy, type ComparisonAnswer } from '$lib/contract/comparison';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { comparisonSentence } from '$lib/format/compare/comparison';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import BiasChart from './BiasChart.svelte';
	import ComparedWaters from './ComparedWaters.svelte';
	import PairsTable from './PairsTable.svelte';
	import WhatNext from './WhatNext.svelte';

	interface Props {
		water: { readonly id: string };
		comparison: ComparisonAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { water, comparison, units, timeZone, now }: Props = $props();

	const BY_NAMES: Readonly<Record<ComparedBy, string>> = {
		kit: 'Two kits or a laboratory',
		reader: 'Two readers',
		water: 'Two waters'
	};
	const parameter = $derived(comparison.parameter);
	const unit = $derived(units[parameter]);
	const nameOf = (id: string | null) => comparison.sides.find((s) => s.id === id)?.name ?? '';
	const names = $derived({ first: nameOf(comparison.first), second: nameOf(comparison.second) });
	const base = $derived(`/waters/${water.id}`);
	/** What was read before a correction is shown first: there the difference is. */
	let asRead = $state(false);
	const paired = $derived(asRead && comparison.asRead ? comparison.asRead : comparison.paired);
	const isLaboratory = (id: string | null) => id?.startsWith('stated-') ?? false;
	const testable = $derived(
		comparison.by === 'kit'
			? [comparison.first, comparison.second].filter((id) => id !== null && !isLaboratory(id))
			: []
	);
	function pick(event: Event & { currentTarget: HTMLFormElement }): void {
		const form = new FormData(event.currentTarget);
		const query = [...form]
			.map(([k, v]) => `${k}=${encodeURIComponent(typeof v === 'string' ? v : '')}`)
			.join('&');
		void goto(`?${query}`, { keepFocus: true, noScroll: true });
	}
</script>

{#snippet choice(name: string, label: string, chosen: string, items: readonly { id: string; name: string }[])}
	<Choice
		{name}
		{label}
		quiet
		class="min-w-40 grow"
		value={chosen}
		items={items.map(({ id, name: words }) => ({ value: id, name: words }))}
	/>
{/snippet}

<main class="page max-w-[70rem]!">
	<h1 class="text-3xl">Do they agree?</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Two kits, two readers or two waters, held against each other. Same water, same moment, same person: then
		the difference is theirs.
	</p>
	<form method="get" class="mt-5 flex flex-wrap items-end gap-3" onchange={pick}>
		{@render choice(
			'by',
			'Compare',
			comparison.by,
			COMPARED_BY.map((id) => ({ id, name: BY_NAMES[id] }))
		)}
		{@render choice(
			'parameter',
			'For',
			parameter,
			comparison.parameters.map((id) => ({ id, name: PARAMETERS[id].name }))
		)}
		{#if comparison.sides.length > 1}
			{@render choice('first', 'One', comparison.first ?? '', comparison.sides)}
			{@render choice('second', 'The other', comparison.second ?? '', comparison.sides)}
		{/if}
		<noscript><Button type="submit">Compare</Button></noscript>
	</form>

	{#if comparison.sides.length < 2}
		<p class="mt-8 border-y py-6 text-lg">
			{comparison.by === 'kit'
				? `${PARAMETERS[parameter].name} was read with one kit only. Read it with another on the same sample, or bring in a laboratory’s value.`
				: comparison.by === 'reader'
					? 'Only one person has read it here.'
					: 'Only one water was read for it.'}
		</p>
		<p class="mt-4"><Button href="{base}/laboratory">Laboratory: send or bring in</Button></p>
	{:else if comparison.by === 'water' && comparison.waters}
		<ComparedWaters waters={comparison.waters} {parameter} {names} {unit} />
	{:else if paired}
		<div class="mt-8 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
			<section aria-labelledby="verdict" class="min-w-0">
				<h2 id="verdict" class="label">
					{paired.pairs.length}
					{paired.pairs.length === 1 ? 'pair' : 'pairs'}{asRead ? ', as they were first read' : ''}
				</h2>
				<p class="figures mt-1 text-2xl leading-snug font-semibold">
					{comparisonSentence(parameter, paired, names, unit)}
				</p>
				{#if paired.lastSample}
					<p class="figures mt-3 max-w-[44rem]">
						<strong>On the last sample, {shortDay(paired.lastSample.at, timeZone, now)}.</strong>
						{comparisonSentence(parameter, paired.lastSample, names, unit)}
					</p>
				{/if}
				{#if comparison.asRead}
					<p class="mt-3 max-w-[44rem]">
						{#if asRead}
							Some of these were corrected since by a check of the kit.
						{:else}
							Some of these results were corrected by a check of the kit. Before that:
							{comparisonSentence(parameter, comparison.asRead, names, unit)}
						{/if}
						<Button kind="text" onclick={() => (asRead = !asRead)}
							>{asRead ? 'Show them corrected' : 'Show them as first read'}</Button
						>
					</p>
				{/if}
				<div class="mt-4"><BiasChart {parameter} {paired} {names} {unit} /></div>
			</section>
			<WhatNext {comparison} {paired} {testable} {base} {parameter} {names} {unit} {timeZone} {now} />
		</div>
		<PairsTable pairs={paired.pairs} {parameter} {names} {unit} {timeZone} {now} />
	{:else}
		<p class="mt-8 border-y py-6 text-lg">
			{names.first} and {names.second} were never read on the same water at the same time.
		</p>
		{#if testable.length > 0}
			<p class="mt-4">
				<Button kind="primary" size="large" href="{base}/bench?tests={testable.join(',')}&times=2"
					>Test both on one sample</Button
				>
			</p>
		{/if}
	{/if}
	<p class="small mt-6 max-w-[44rem] text-muted">
		Home tests can be compared with each other; which of them is right only a standard or a laboratory tells.
		<a class="link" href="{base}/help?q=two+methods">About two methods</a>
	</p>
</main>
