<script lang="ts">
	import { enhance } from '$app/forms';
	import { LONGEST } from '$lib/contract/lengths';
	import type { ShelfDetails } from '$lib/contract/shelf';
	import { typedNumber } from '$lib/core/numeric';
	import {
		convert,
		convertSpan,
		nameWithin,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import type { Result } from '$lib/core/result';
	import {
		dilutedStock,
		dilutionSeries,
		keepsDays,
		SALT_IDS,
		SALTS,
		weighed,
		type Content
	} from '$lib/core/standard';
	import { faultText } from '$lib/format/faults/faults';
	import { LABEL_FIRST } from '$lib/format/bench/hazard';
	import { fixed, plain } from '$lib/format/number';
	import { inUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		waterId: string;
		stocks: readonly {
			readonly id: string;
			readonly name: string;
			readonly contents: ShelfDetails['contents'];
		}[];
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		refused: { entered: Record<string, string>; field: string; text: string } | null;
	}
	let { waterId, stocks, id, units, refused }: Props = $props();

	const was = (name: string, fallback: string) => refused?.entered[name] ?? fallback;
	let by = $state('weighed');
	let salt = $state('potassium-nitrate');
	let stockId = $state('');
	let typed = $state<Record<string, string>>({
		massG: '1.631',
		'massG.half': '0.01',
		takenMl: '5',
		'takenMl.half': '0.05',
		volumeMl: '1000',
		'volumeMl.half': '2'
	});
	const chosen = $derived(SALTS[SALT_IDS.find((s) => s === salt) ?? 'potassium-nitrate']);
	const stock = $derived(stocks.find((s) => s.id === stockId) ?? stocks[0] ?? null);
	const number = (name: string) => typedNumber(typed[name] ?? '') ?? Number.NaN;
	const measured = (name: string) => ({
		value: number(name),
		u: (number(`${name}.half`) || 0) / Math.sqrt(3)
	});
	const made = $derived<Result<readonly Content[]> | null>(
		by === 'weighed'
			? weighed(chosen.id, measured('massG'), measured('volumeMl'))
			: stock
				? dilutedStock(stock.contents, measured('takenMl'), measured('volumeMl'))
				: null
	);
	const words = (c: Content) => {
		const m = inUnit(c.parameter, c.value, c.u, units[c.parameter]);
		return `${nameWithin(c.parameter)} ${m.value} ± ${m.plusMinus} ${UNITS[units[c.parameter]].symbol}`;
	};

	let seriesWanted = $state('0, 5, 10, 20, 50');
	let seriesMl = $state('50');
	const main = $derived(made?.ok ? (made.value[0] ?? null) : null);
	const series = $derived.by(() => {
		if (!main) return null;
		const { canonicalUnit } = PARAMETERS[main.parameter];
		const wanted = seriesWanted
			.split(/[;,\s]+/)
			.filter(Boolean)
			.map((t) => convertSpan(typedNumber(t) ?? Number.NaN, units[main.parameter], canonicalUnit));
		return dilutionSeries(main.value, wanted, typedNumber(seriesMl) ?? Number.NaN);
	});
	const FIELDS = new Set(['name']);
</script>

{#snippet amount(name: string, label: string, unit: string)}
	<div class="grid grid-cols-[1fr_8rem] items-end gap-3">
		<Field
			{name}
			{label}
			{unit}
			inputmode="decimal"
			value={was(name, typed[name] ?? '')}
			oninput={(e) => (typed[name] = e.currentTarget.value)}
		/>
		<Field
			name="{name}.half"
			label="± at most"
			inputmode="decimal"
			value={was(`${name}.half`, typed[`${name}.half`] ?? '')}
			oninput={(e) => (typed[`${name}.half`] = e.currentTarget.value)}
		/>
	</div>
{/snippet}

<main class="page max-w-[64rem]!">
	<p class="label"><a class="link" href="/waters/{waterId}/shelf">Shelf</a></p>
	<h1 class="mt-2 text-3xl">Make a standard</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		A salt weighed and filled up with purified water, or a stronger solution thinned. Its content is reckoned
		with its uncertainty, and it stands on the shelf to check kits by.
	</p>
	<div class="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_22rem]">
		<form method="post" use:enhance={sending} class="space-y-5">
			<Hidden name="id" value={was('id', id)} />
			{#if refused && !FIELDS.has(refused.field)}<Fault text={refused.text} />{/if}
			<Choice
				name="by"
				label="How"
				bind:value={by}
				items={[
					{ value: 'weighed', name: 'from a weighed salt' },
					{ value: 'diluted', name: 'from a solution on the shelf' }
				]}
			/>
			{#if by === 'weighed'}
				<Choice
					name="salt"
					label="Salt"
					bind:value={salt}
					items={SALT_IDS.map((s) => ({ value: s, name: `${SALTS[s].name}, ${SALTS[s].formula}` }))}
				/>
				<p class="small text-muted">{chosen.care} {plain(chosen.molarMass)} g/mol.</p>
				{#if chosen.danger}<p class="small border-l-4 border-warn pl-3">
						<strong>{chosen.danger}</strong>
						{LABEL_FIRST}
					</p>{/if}
				{@render amount('massG', 'Weighed', 'g')}
			{:else if stocks.length === 0}
				<p class="text-muted">There is no standard on the shelf to thin.</p>
			{:else}
				<Choice
					name="stockId"
					label="Solution"
					bind:value={stockId}
					items={stocks.map((s) => ({ value: s.id, name: s.name }))}
				/>
				{@render amount('takenMl', 'Taken of it', 'mL')}
			{/if}
			{@render amount('volumeMl', 'Filled up to', 'mL')}
			<Field
				name="name"
				label="Name"
				value={was('name', 'Home-made standard')}
				fault={refused?.field === 'name' ? refused.text : undefined}
				maxlength={LONGEST.thing}
			/>
			<Button kind="primary" size="large" type="submit">Put it on the shelf</Button>
		</form>
		<div class="space-y-8" aria-live="polite">
			<section>
				<h2 class="label border-b pb-1">It holds</h2>
				{#if made?.ok}
					{#each made.value as c (c.parameter)}<p class="figures mt-2 text-lg font-semibold">
							{words(c)}
						</p>{/each}
					<p class="small mt-1 text-muted">
						Keeps about {keepsDays(made.value)} days cool, dark and closed; then make it afresh.
					</p>
				{:else if made}<p class="mt-2 text-muted">{faultText(made.fault)}</p>{/if}
			</section>
			{#if main}
				<section>
					<h2 class="label border-b pb-1">A series to train the eye</h2>
					<div class="mt-3 grid grid-cols-[1fr_7rem] gap-3">
						<Field
							name=""
							label="{PARAMETERS[main.parameter].name}, {UNITS[units[main.parameter]].symbol}"
							value={seriesWanted}
							oninput={(e) => (seriesWanted = e.currentTarget.value)}
						/>
						<Field
							name=""
							label="each"
							unit="mL"
							inputmode="decimal"
							value={seriesMl}
							oninput={(e) => (seriesMl = e.currentTarget.value)}
						/>
					</div>
					{#if series?.ok}
						<Table class="small mt-3">
							<thead
								><tr class="text-left text-muted"
									><th class="py-1 font-normal">Holds</th><th class="py-1 font-normal">take of it</th><th
										class="py-1 font-normal">purified water</th
									></tr
								></thead
							>
							<tbody>
								{#each series.value as s, i (i)}
									<tr class="border-t"
										><td class="py-1"
											>{plain(
												Number(
													convert(
														s.wanted,
														PARAMETERS[main.parameter].canonicalUnit,
														units[main.parameter]
													).toPrecision(4)
												)
											)}</td
										><td class="py-1">{fixed(s.takeMl, 2)} mL</td><td class="py-1">{fixed(s.fillMl, 2)} mL</td
										></tr
									>
								{/each}
							</tbody>
						</Table>
					{:else if series}<p class="small mt-2 text-muted">{faultText(series.fault)}</p>{/if}
				</section>
			{/if}
		</div>
	</div>
</main>
