<script lang="ts">
	import type { ComparisonAnswer } from '$lib/contract/comparison';
	import { UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { comparisonSentence } from '$lib/format/compare/comparison';
	import { referenceSentence } from '$lib/format/judgement/reasons';
	import { readWords, type Names } from './words';

	interface Props {
		waters: NonNullable<ComparisonAnswer['waters']>;
		parameter: ParameterId;
		names: Names;
		unit: UnitId;
	}
	let { waters, parameter, names, unit }: Props = $props();
</script>

<section aria-labelledby="verdict" class="mt-8">
	<h2 id="verdict" class="text-2xl">{names.first} and {names.second}</h2>
	{#if waters.rows.length === 0}
		<p class="mt-2">No kit has read both. Read them with the same one: its own error then falls out.</p>
	{:else}
		<ul class="mt-3">
			{#each waters.rows as row (row.kit)}
				<li class="border-t py-3">
					<p class="small text-muted">
						By {row.kit}: {readWords(parameter, row.first, unit)} and {readWords(parameter, row.second, unit)}
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
		{@const sea = waters.sea[side]}
		{#if sea}<p class="figures border-t py-3">
				<strong>{name}.</strong>
				{referenceSentence(parameter, sea, unit)}
			</p>{/if}
	{/each}
</section>
