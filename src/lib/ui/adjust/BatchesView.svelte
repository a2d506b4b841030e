<script lang="ts">
	import { untrack } from 'svelte';
	import { magnesiumForBatch, saltForBatch, type BatchFinding, type Known } from '$lib/core/correction';
	import { typedNumber } from '$lib/core/numeric';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { amountWords, batchFindingWords } from '$lib/format/adjust/adjust';
	import { shortDay } from '$lib/format/date';
	import { fixed, plain } from '$lib/format/number';
	import { inUnit, symbolAfter } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';

	interface Props {
		waterId: string;
		batches: readonly {
			readonly waterId: string;
			readonly waterName: string;
			readonly name: string;
			readonly saltLot: string;
			readonly volumeL: number;
			readonly mixedAt: Instant;
			readonly levels: Readonly<Partial<Record<ParameterId, Known>>>;
			readonly findings: readonly BatchFinding[];
		}[];
		wish: { readonly litres: string; readonly salinity: string };
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, batches, wish, units, timeZone, now }: Props = $props();

	const MOST_PSU = 45;
	/** What stood in the fields when the page came. */
	const begun = untrack(() => wish);
	let typed = $state.raw(begun);
	const litres = $derived(typedNumber(typed.litres));
	const salinity = $derived(typedNumber(typed.salinity));
	const fits = (value: number, most: number) => value > 0 && value <= most;
	/** What was not typed yet is not wrong. */
	const wrong = $derived(
		(litres !== null && !fits(litres, Infinity)) || (salinity !== null && !fits(salinity, MOST_PSU))
	);
	const salt = $derived(
		litres === null || salinity === null || wrong ? null : saltForBatch(litres, salinity, 22)
	);
	const parameters = $derived(
		(['salinity', 'alkalinity', 'calcium', 'magnesium', 'potassium', 'nitrate', 'phosphate'] as const).filter(
			(p) => batches.some((b) => b.levels[p])
		)
	);
	const value = (p: ParameterId, known: Known) => {
		const m = inUnit(p, known.value, Math.max(known.u, 1e-9), units[p]);
		return `${m.value} ± ${m.plusMinus}`;
	};
	const lots = $derived([...new Set(batches.map((b) => b.saltLot).filter(Boolean))]);
	/** Mean magnesium of a salt lot over its batches. */
	const meanOf = (lot: string, p: ParameterId) => {
		const own = batches.flatMap((b) => (b.saltLot === lot && b.levels[p] ? [b.levels[p].value] : []));
		return own.length > 0 ? { mean: own.reduce((a, b) => a + b, 0) / own.length, count: own.length } : null;
	};
	const correction = (b: (typeof batches)[number]) => {
		const thin = b.findings.find((f) => f.kind === 'thin-magnesium');
		if (thin?.kind !== 'thin-magnesium') return null;
		return magnesiumForBatch({ kind: 'salt', compound: 'MgCl2.6H2O', purity: 0.98 }, thin.short, b.volumeL);
	};
	type Batch = (typeof batches)[number];
	const columns = $derived<readonly Column<Batch>[]>([
		{ id: 'batch', name: 'Batch', by: (b) => b.mixedAt, class: 'whitespace-nowrap' },
		{ id: 'salt', name: 'Salt', by: (b) => b.saltLot },
		...parameters.map((p) => ({
			id: p,
			name: `${PARAMETERS[p].symbol}${symbolAfter(units[p])}`,
			by: (b: Batch) => b.levels[p]?.value ?? null,
			figures: true,
			optional: 'shown' as const
		}))
	]);
</script>

<main class="page max-w-[64rem]!">
	<h1 class="text-3xl">New water</h1>
	<LiveForm
		onask={(asked) => (typed = { litres: asked.get('litres') ?? '', salinity: asked.get('salinity') ?? '' })}
		class="mt-5 flex flex-wrap items-end gap-4"
	>
		<LitresField name="litres" label="To mix" value={begun.litres} />
		<Field name="salinity" label="Salinity" unit="PSU" inputmode="decimal" value={begun.salinity} />
	</LiveForm>
	{#if salt}
		<p class="figures mt-4 text-xl">
			{fixed(salt.saltKg, 2)} kg of dry salt mix in {litresWords(Number(salt.waterL.toFixed(1)))} of purified water.
		</p>
		<p class="small mt-1 max-w-[44rem] text-muted">
			A mix holds about 7 % moisture; bags differ. Stir it for a day with a heater and a pump, then test
			salinity before anything else.
		</p>
	{:else if wrong}
		<p role="alert" class="mt-3 border-l-4 border-warn pl-3">
			<strong class="text-warn">Not yet.</strong> Give litres above 0 and a salinity between 1 and 45.
		</p>
	{/if}

	{#if batches.length === 0}
		<p class="mt-8 text-muted">
			No batch was mixed yet. Enter one in the log of the mixing barrel, as “New mix”, and test it there.
		</p>
	{:else}
		<h2 class="mt-8 text-2xl">Batches</h2>
		<div class="mt-2">
			<DataTable
				label="Batches"
				rows={batches}
				{columns}
				key={(b) => b.waterId + b.name}
				words={(b) => `${b.name} ${b.saltLot} ${b.waterName} ${shortDay(b.mixedAt, timeZone, now)}`}
				hasUnder={(b) => b.findings.length > 0}
			>
				{#snippet cell(b: Batch, column: string)}
					{#if column === 'batch'}
						<strong>{b.name}</strong><span class="small block text-muted"
							>{shortDay(b.mixedAt, timeZone, now)}, {litresWords(b.volumeL)}</span
						>
					{:else if column === 'salt'}{b.saltLot}
					{:else}
						{@const p = column as ParameterId}
						{b.levels[p] ? value(p, b.levels[p]) : '–'}
					{/if}
				{/snippet}
				{#snippet under(b: Batch)}
					{@const grams = correction(b)}
					<div class="small">
						{#each b.findings as finding, i (i)}
							<p class="border-l-4 border-warn pl-3">{batchFindingWords(finding)}</p>
						{/each}
						{#if grams !== null}
							<p class="mt-1 pl-4">
								In the barrel: {amountWords(grams, 'g')} of magnesium chloride hexahydrate, dissolved first. Nothing
								lives there: all at once. Test again.
							</p>
						{/if}
					</div>
				{/snippet}
			</DataTable>
		</div>
		{#if lots.length > 1}
			<h2 class="mt-8 text-2xl">Salts beside each other</h2>
			<ul class="mt-2 border-b">
				{#each lots as lot (lot)}
					<li class="figures flex flex-wrap justify-between gap-x-6 border-t py-2">
						<strong>{lot}</strong>
						<span class="text-muted">
							{parameters
								.flatMap((p) => {
									const m = meanOf(lot, p);
									return m
										? [
												`${PARAMETERS[p].symbol} ${plain(Number(m.mean.toPrecision(3)))}${m.count > 1 ? ` (mean of ${m.count})` : ''}`
											]
										: [];
								})
								.join(', ')}
						</span>
					</li>
				{/each}
			</ul>
		{/if}
	{/if}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
