<script lang="ts">
	import type { KitBeside } from '$lib/contract/shelf-view';
	import { toldApart } from '$lib/core/colour';
	import {
		convertSpan,
		PARAMETER_IDS,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import { aboutMinutes } from '$lib/format/date';
	import { fixed, plain } from '$lib/format/number';
	import Table from '$lib/ui/kit/Table.svelte';

	interface Props {
		waterId: string;
		parameter: ParameterId;
		kits: readonly KitBeside[];
		unit: UnitId;
	}
	let { waterId, parameter, kits, unit }: Props = $props();

	const here = $derived(`/waters/${waterId}/shelf/compare`);
	const interval = (half: number | null) =>
		half === null
			? '–'
			: `± ${plain(Number(convertSpan(half, PARAMETERS[parameter].canonicalUnit, unit).toPrecision(1)))}`;
	/** 1 is just seen side by side, 10 at a glance. */
	const colours = (distance: number | null) => (distance === null ? 'no colour' : toldApart(distance));
	const WIDEST = 100;
</script>

<main class="page">
	<p class="label"><a class="link" href="/waters/{waterId}/shelf">Shelf</a></p>
	<h1 class="mt-2 text-3xl">Kits side by side</h1>
	<nav aria-label="Parameter" class="mt-3 -ml-2 flex flex-wrap">
		{#each PARAMETER_IDS as p (p)}
			<a
				href="{here}?parameter={p}"
				aria-current={p === parameter ? 'true' : undefined}
				class="flex min-h-11 items-center px-2 {p === parameter
					? 'font-semibold underline decoration-2 underline-offset-8'
					: 'text-muted hover:text-ink'}">{PARAMETERS[p].name}</a
			>
		{/each}
	</nav>
	<Table wide="Kits for {PARAMETERS[parameter].name}" class="min-w-[46rem]">
		<thead>
			<tr class="small text-left text-muted">
				<th class="py-2 pr-4 font-normal">Method</th>
				<th class="py-2 pr-4 font-normal">One reading, {UNITS[unit].symbol}</th>
				<th class="py-2 pr-4 font-normal">Minutes, hands</th>
				<th class="py-2 pr-4 font-normal">A test costs</th>
				<th class="py-2 font-normal">Its colours lie</th>
			</tr>
		</thead>
		<tbody>
			{#each kits as { method, merits, halfMerits, cost, lots } (method.code)}
				<tr class="border-t align-top">
					<td class="py-3 pr-4">
						<a class="link font-semibold" href="/waters/{waterId}/methods/{method.code}">{method.name}</a>
						<span class="small block text-muted"
							>{lots === 0 ? 'none on the shelf' : `${lots} on the shelf`}</span
						>
					</td>
					<td class="py-3 pr-4">
						<strong>{interval(merits.halfInterval)}</strong>
						{#if halfMerits}<span class="small block text-muted"
								>half sample {interval(halfMerits.halfInterval)}</span
							>{/if}
					</td>
					<td class="py-3 pr-4">{aboutMinutes(merits.totalS)}, {aboutMinutes(merits.handsS)}</td>
					<td class="py-3 pr-4">{cost === null ? 'no price' : fixed(cost, 2)}</td>
					<td class="py-3">
						{#if merits.colours !== null}
							<svg
								width={WIDEST + 8}
								height="18"
								viewBox="0 0 {WIDEST + 8} 18"
								role="img"
								aria-label="{Math.round(merits.colours)} apart by CIEDE2000"
							>
								<line x1="4" x2={4 + WIDEST} y1="9" y2="9" stroke="var(--line)" stroke-width="2" />
								<circle cx="4" cy="9" r="4" fill="var(--ink)" />
								<circle
									cx={4 + Math.min(WIDEST, merits.colours)}
									cy="9"
									r="4"
									fill="none"
									stroke="var(--ink)"
									stroke-width="2"
								/>
							</svg>
						{/if}
						<span class="small block text-muted">{colours(merits.colours)}</span>
					</td>
				</tr>
			{/each}
		</tbody>
	</Table>
	<p class="small mt-4 max-w-[44rem] text-muted">
		The interval is that of one careful reading at the aim of this water, or of the nearest place on its
		scale. Colours are those of the method’s swatches: from start to end of a titration, or of the two
		neighbouring steps that are hardest to tell (CIEDE2000). The printed steps decide, not the screen.
	</p>
</main>
