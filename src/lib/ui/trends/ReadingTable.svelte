<script lang="ts">
	import { READING_KINDS } from '$lib/contract/trends';
	import { PARAMETERS } from '$lib/core/quantity';
	import { instant, type Instant } from '$lib/core/time';
	import { readingShown, readingWhen } from '$lib/format/trends/trend';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import type { Series } from './chart/series';
	import { firstFrom } from '$lib/core/numeric';

	interface Props {
		rows: readonly Series[];
		from: Instant;
		to: Instant;
		timeZone: string;
		now: Instant;
	}
	let { rows, from, to, timeZone, now }: Props = $props();

	let opened = $state<Record<string, boolean>>({});

	/** Those of the span that count, newest first. */
	function seen(series: Series): number[] {
		const [start, end] = [firstFrom(series.at, from), firstFrom(series.at, to + 1)];
		const indices = Array.from({ length: end - start }, (_, k) => end - 1 - k);
		return indices.filter((i) => !series.superseded[i]);
	}
	const reading = (series: Series, i: number) => ({
		index: i,
		at: instant(series.at[i]!),
		value: series.value[i]!,
		lower: series.lower[i]!,
		upper: series.upper[i]!,
		kind: READING_KINDS[series.kind[i]!]!,
		kit: series.kits[series.kit[i]!]?.name ?? ''
	});
	type Reading = ReturnType<typeof reading>;
	const NEWEST_FIRST = { id: 'at', descending: true };
	const COLUMNS: readonly Column<Reading>[] = [
		{ id: 'at', name: 'Read', by: (one) => one.at },
		{ id: 'value', name: 'Result', by: (one) => one.value, figures: true },
		{ id: 'kit', name: 'Kit', by: (one) => one.kit, optional: 'shown' }
	];
</script>

<section>
	<h2 class="label">The readings as tables</h2>
	{#each rows as series (series.parameter)}
		{@const all = seen(series)}
		<Disclosure
			class="mt-2 border-t pt-2"
			bind:open={() => opened[series.parameter] ?? false, (open) => (opened[series.parameter] = open)}
			look="min-h-8"
			>{#snippet title()}{PARAMETERS[series.parameter].name}, {all.length}
				{all.length === 1 ? 'reading' : 'readings'} in this time{/snippet}
			{#if opened[series.parameter]}
				<div class="mt-2">
					<DataTable
						label="Readings of {PARAMETERS[series.parameter].name}"
						rows={all.map((i) => reading(series, i))}
						columns={COLUMNS}
						key={(one) => `${one.at} ${one.kit} ${one.index}`}
						words={(one) =>
							`${readingWhen(one.at, timeZone, now)} ${readingShown(one, series.unit)} ${one.kit}`}
						initial={NEWEST_FIRST}
					>
						{#snippet cell(one: Reading, column: string)}
							{#if column === 'at'}{readingWhen(one.at, timeZone, now)}
							{:else if column === 'value'}{readingShown(one, series.unit)}
							{:else}<span class="text-muted">{one.kit}</span>{/if}
						{/snippet}
					</DataTable>
				</div>
			{/if}
		</Disclosure>
	{/each}
</section>
