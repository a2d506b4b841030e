<script lang="ts">
	import type { SeaRow } from '$lib/contract/sea';
	import { seaRangeOf, SEAS } from '$lib/core/judgement';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { COVERAGE } from '$lib/core/uncertainty';
	import { ago } from '$lib/format/date';
	import { SEA_NAMES } from '$lib/format/judgement/sea';
	import { inUnit, limitInUnit, symbolAfter } from '$lib/format/quantity';
	import SeaPicture from './SeaPicture.svelte';

	interface Props {
		water: { readonly id: string; readonly name: string };
		rows: readonly SeaRow[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { water, rows, units, timeZone, now }: Props = $props();

	const shown = $derived(
		rows.flatMap((row) => {
			const ranges = SEAS.flatMap((sea) => {
				const range = seaRangeOf(row.parameter, sea);
				return range ? [{ sea, ...range }] : [];
			});
			if (ranges.length === 0) return [];
			const [lower, upper] = [Math.max(0, row.value - COVERAGE * row.u), row.value + COVERAGE * row.u];
			const ends = [lower, upper, ...ranges.flatMap((r) => [r.low, r.high])];
			return [{ ...row, lower, upper, ranges, from: Math.min(...ends), to: Math.max(...ends) }];
		})
	);
	const limit = (p: ParameterId, v: number) => limitInUnit(p, v, units[p]);
	function words(row: (typeof shown)[number], r: (typeof shown)[number]['ranges'][number]): string {
		const place =
			row.upper < r.low ? 'below' : row.lower > r.high ? 'above' : 'within, as far as it is known';
		return `${PARAMETERS[row.parameter].name} is ${place}: ${SEA_NAMES[r.sea]} holds ${limit(row.parameter, r.low)} to ${limit(row.parameter, r.high)}`;
	}
</script>

<main class="page max-w-[72rem]!">
	<h1 class="text-3xl">{water.name} beside the seas</h1>
	<p class="mt-1 max-w-[46rem] text-muted">
		Grey is what is usual there, the bar is what was read here with its interval. Ranges are rounded from
		published atlases; coasts, rain and seasons go beyond them.
	</p>
	{#each shown as row (row.parameter)}
		{@const p = row.parameter}
		{@const m = inUnit(p, row.value, Math.max(row.u, 1e-9), units[p])}
		<section aria-labelledby="sea-{p}" class="mt-6 border-t pt-4">
			<h2 id="sea-{p}" class="flex flex-wrap items-baseline gap-x-4 text-xl">
				{PARAMETERS[p].name}
				<span class="figures">{m.value} ± {m.plusMinus}{symbolAfter(units[p])}</span>
				<span class="small font-normal text-muted">read {ago(row.readAt, timeZone, now)}</span>
			</h2>
			<ul class="mt-2">
				{#each row.ranges as r (r.sea)}
					<li class="grid items-center gap-x-5 py-0.5 sm:grid-cols-[12rem_minmax(0,1fr)_9rem]">
						<span class="small">{SEA_NAMES[r.sea]}</span>
						<SeaPicture
							low={r.low}
							high={r.high}
							value={row.value}
							lower={row.lower}
							upper={row.upper}
							from={row.from}
							to={row.to}
							words={words(row, r)}
						/>
						<span class="small figures text-muted max-sm:hidden">{limit(p, r.low)} to {limit(p, r.high)}</span
						>
					</li>
				{/each}
			</ul>
		</section>
	{:else}
		<p class="mt-6 border-y py-6 text-lg">
			Nothing was read of it that the seas have a range for. <a class="link" href="/waters/{water.id}/bench"
				>Test it</a
			>.
		</p>
	{/each}
</main>
