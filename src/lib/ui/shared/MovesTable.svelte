<script lang="ts">
	import type { ResultMove } from '$lib/contract/shelf-view';
	import { nameWithin, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import Table from '$lib/ui/kit/Table.svelte';
	import { shortDay } from '$lib/format/date';
	import { resultInUnit } from '$lib/format/quantity';
	import { gradeMove } from '$lib/format/shelf/shelf';

	interface Props {
		moves: readonly ResultMove[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { moves, units, timeZone, now }: Props = $props();

	const SHOWN = 40;
	/** Those that are judged otherwise first: they are what matters. */
	const sorted = $derived(
		[...moves].sort((a, b) => Number(gradeMove(b) !== null) - Number(gradeMove(a) !== null))
	);
	const judged = $derived(moves.filter((m) => gradeMove(m) !== null).length);
</script>

<p class="mt-1">
	{moves.length}
	{moves.length === 1 ? 'result moves' : 'results move'}; {judged === 0
		? 'none is judged otherwise than before'
		: `${judged} ${judged === 1 ? 'is' : 'are'} judged otherwise than before`}.
</p>
<Table wide="Results that move" class="small mt-3">
	<thead>
		<tr class="text-left text-muted"
			><th class="py-1 pr-4 font-normal">Read</th><th class="py-1 pr-4 font-normal">is</th><th
				class="py-1 pr-4 font-normal">would be</th
			><th class="py-1 font-normal">judged</th></tr
		>
	</thead>
	<tbody>
		{#each sorted.slice(0, SHOWN) as move (move.readingId + move.parameter)}
			<tr class="border-t align-top">
				<td class="py-1.5 pr-4"
					>{shortDay(move.at, timeZone, now)}, {move.water}, {nameWithin(move.parameter)}</td
				>
				<td class="py-1.5 pr-4 whitespace-nowrap">{resultInUnit(move.before, units[move.parameter])}</td>
				<td class="py-1.5 pr-4 font-semibold whitespace-nowrap"
					>{resultInUnit(move.after, units[move.parameter])}</td
				>
				<td class="py-1.5">{gradeMove(move) ?? 'as before'}</td>
			</tr>
		{/each}
	</tbody>
</Table>
{#if moves.length > SHOWN}<p class="small mt-2 text-muted">
		and {moves.length - SHOWN} more, none of them judged otherwise unless it stands above
	</p>{/if}
