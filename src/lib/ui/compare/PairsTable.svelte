<script lang="ts">
	import type { ComparisonAnswer } from '$lib/contract/comparison';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { differenceWords } from '$lib/format/compare/comparison';
	import { shortDay } from '$lib/format/date';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import { readWords, type Names } from './words';

	interface Props {
		pairs: NonNullable<ComparisonAnswer['paired']>['pairs'];
		parameter: ParameterId;
		names: Names;
		unit: UnitId;
		timeZone: string;
		now: Instant;
	}
	let { pairs, parameter, names, unit, timeZone, now }: Props = $props();
	const value = (reading: Parameters<typeof readWords>[1]) => readWords(parameter, reading, unit);
</script>

<Disclosure class="mt-6 border-t" title="The pairs, one by one" look="link min-h-11 py-3">
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
			{#each [...pairs].reverse() as pair, i (i)}
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
</Disclosure>
