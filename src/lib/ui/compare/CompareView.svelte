<script lang="ts">
	import { goto } from '$app/navigation';
	import { COMPARED_BY, type ComparedBy, type ComparisonAnswer } from '$lib/contract/comparison';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import {
		comparisonSentence,
		confoundSentence,
		differenceWords,
		errorSentence,
		likelierSentence,
		NEXT_WORDS
	} from '$lib/format/comparison';
	import { shortDay } from '$lib/format/date';
	import { inUnit } from '$lib/format/quantity';
	import { referenceSentence } from '$lib/format/reasons';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import BiasChart from './BiasChart.svelte';

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
	const value = (reading: { value: number; uRandom: number; uCommon: number }) => {
		const m = inUnit(parameter, reading.value, Math.hypot(reading.uRandom, reading.uCommon), unit);
		return `${m.value} ± ${m.plusMinus}`;
	};

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
		<section aria-labelledby="verdict" class="mt-8">
			<h2 id="verdict" class="text-2xl">{names.first} and {names.second}</h2>
			{#if comparison.waters.rows.length === 0}
				<p class="mt-2">No kit has read both. Read them with the same one: its own error then falls out.</p>
			{:else}
				<ul class="mt-3">
					{#each comparison.waters.rows as row (row.kit)}
						<li class="border-t py-3">
							<p class="small text-muted">
								By {row.kit}: {value(row.first)} and {value(row.second)}
								{UNITS[unit].symbol}
							</p>
							<p class="figures text-lg">
								{comparisonSentence(parameter, row, names, unit)}
							</p>
						</li>
					{/each}
				</ul>
			{/if}
			{#each [['first', names.first], ['second', names.second]] as const as [side, name] (side)}
				{@const sea = comparison.waters.sea[side]}
				{#if sea}<p class="figures border-t py-3">
						<strong>{name}.</strong>
						{referenceSentence(parameter, sea, unit)}
					</p>{/if}
			{/each}
		</section>
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
			<section aria-labelledby="next" class="min-w-0">
				<div class="border-2 border-ink p-5">
					<h2 id="next" class="text-xl">What to do next</h2>
					{#if comparison.next}<p class="mt-1 text-lg">{NEXT_WORDS[comparison.next]}</p>{/if}
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
				{#if paired.limits && !paired.verdict.tooFew && paired.limits.uSlope !== null && Math.abs(paired.limits.slope) > 2 * paired.limits.uSlope}
					<p class="small mt-2 border-t py-2">
						The difference changes with the level: the higher it is, the {paired.limits.slope > 0
							? 'more'
							: 'less'}
						{names.first} reads beside {names.second}.
					</p>
				{/if}
			</section>
		</div>
		<details class="mt-6 border-t">
			<summary class="link inline-block min-h-11 py-3">The pairs, one by one</summary>
			<Table wide="Pairs">
				<thead>
					<tr class="small border-b text-left text-muted">
						<th class="py-2 pr-4 font-normal">Drawn</th>
						<th class="py-2 pr-4 text-right font-normal">{names.first}</th>
						<th class="py-2 pr-4 text-right font-normal">{names.second}</th>
						<th class="py-2 pr-4 text-right font-normal">difference</th>
						<th class="py-2 font-normal">read by</th>
					</tr>
				</thead>
				<tbody>
					{#each [...paired.pairs].reverse() as pair, i (i)}
						<tr class="border-b">
							<td class="py-1.5 pr-4 whitespace-nowrap">{shortDay(pair.first.at, timeZone, now)}</td>
							<td class="py-1.5 pr-4 text-right whitespace-nowrap">{value(pair.first)}</td>
							<td class="py-1.5 pr-4 text-right whitespace-nowrap">{value(pair.second)}</td>
							<td class="py-1.5 pr-4 text-right"
								>{differenceWords(
									parameter,
									pair.first.value - pair.second.value,
									Math.hypot(pair.first.uRandom, pair.second.uRandom),
									unit
								)}</td
							>
							<td class="small py-1.5 text-muted"
								>{pair.first.reader === pair.second.reader
									? pair.first.reader
									: `${pair.first.reader}, ${pair.second.reader}`}</td
							>
						</tr>
					{/each}
				</tbody>
			</Table>
		</details>
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
