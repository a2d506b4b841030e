<script lang="ts">
	import type { BeforeAfter } from '$lib/core/correction';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { ASSUMED, MOVED_NAMES, movedWords, WARNINGS } from '$lib/format/adjust/adjust';
	import Table from '$lib/ui/kit/Table.svelte';

	interface Props {
		moves: BeforeAfter;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { moves, units }: Props = $props();
</script>

<section aria-labelledby="moves" class="mt-8">
	<h2 id="moves" class="text-2xl">What else moves</h2>
	{#each moves.warnings as warning (warning)}
		<p class="mt-2 border-l-4 border-warn pl-3">
			<strong class="text-warn">Warning.</strong>
			{WARNINGS[warning]}
		</p>
	{/each}
	<div class="mt-3">
		<Table wide="Before and after">
			<thead>
				<tr class="border-b">
					<th class="py-2 pr-6">Of the water</th>
					<th class="py-2 pr-6 text-right">before</th>
					<th class="py-2 pr-6 text-right">after</th>
					<th class="py-2 text-right">change</th>
				</tr>
			</thead>
			<tbody>
				{#each moves.rows as row (row.what)}
					{@const words = movedWords(row, units)}
					<tr class="border-b">
						<td class="py-1.5 pr-6">{MOVED_NAMES[row.what]}{row.assumed ? ' *' : ''}</td>
						<td class="py-1.5 pr-6 text-right whitespace-nowrap text-muted">{words.before}</td>
						<td class="py-1.5 pr-6 text-right whitespace-nowrap">{words.after}</td>
						<td class="py-1.5 text-right whitespace-nowrap">{words.change}</td>
					</tr>
				{/each}
			</tbody>
		</Table>
	</div>
	<p class="small mt-2 max-w-[44rem] text-muted">
		{#if moves.rows.some((r) => r.assumed)}* Not measured: follows from what was, or had to be assumed.
		{/if}
		{#if moves.assumed.length > 0}The result is wider because {moves.assumed
				.map((a) => ASSUMED[a])
				.join('; ')}.
		{/if}
		At the inlet pH and saturation are far above the mixed water: slowly, into strong flow.
	</p>
</section>
