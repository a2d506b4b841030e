<script lang="ts">
	import { READING_KINDS } from '$lib/contract/trends';
	import { PARAMETERS } from '$lib/core/quantity';
	import { instant, type Instant } from '$lib/core/time';
	import { readingShown, readingWhen } from '$lib/format/trend';
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

	const MOST = 60;
	let opened = $state<Record<string, boolean>>({});

	/** Those of the span that count, newest first. */
	function seen(series: Series): number[] {
		const [start, end] = [firstFrom(series.at, from), firstFrom(series.at, to + 1)];
		const indices = Array.from({ length: end - start }, (_, k) => end - 1 - k);
		return indices.filter((i) => !series.superseded[i]);
	}
	const reading = (series: Series, i: number) => ({
		at: instant(series.at[i]!),
		value: series.value[i]!,
		lower: series.lower[i]!,
		upper: series.upper[i]!,
		kind: READING_KINDS[series.kind[i]!]!,
		kit: series.kits[series.kit[i]!]?.name ?? ''
	});
</script>

<section>
	<h2 class="label">The readings as tables</h2>
	{#each rows as series (series.parameter)}
		{@const all = seen(series)}
		<details class="mt-2 border-t pt-2" bind:open={opened[series.parameter]}>
			<summary class="min-h-8"
				>{PARAMETERS[series.parameter].name}, {all.length}
				{all.length === 1 ? 'reading' : 'readings'} in this time</summary
			>
			{#if opened[series.parameter]}
				<table class="small figures mt-2 w-full">
					<thead
						><tr class="text-left"
							><th class="py-1">Read</th><th class="py-1 text-right">Result</th><th class="py-1 pl-4">Kit</th
							></tr
						></thead
					>
					<tbody>
						{#each all.slice(0, MOST) as i (i)}
							{@const one = reading(series, i)}
							<tr class="border-t">
								<td class="py-1">{readingWhen(one.at, timeZone, now)}</td>
								<td class="py-1 text-right">{readingShown(one, series.unit)}</td>
								<td class="py-1 pl-4 text-muted">{one.kit}</td>
							</tr>
						{/each}
					</tbody>
				</table>
				{#if all.length > MOST}
					<p class="small mt-2 text-muted">
						{all.length - MOST} older ones: show less time, or save what is seen as CSV.
					</p>
				{/if}
			{/if}
		</details>
	{/each}
</section>
