<script lang="ts">
	import type { ReaderSeen } from '$lib/contract/practice-view';
	import { convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { plain } from '$lib/format/number';
	import { percent } from '$lib/format/practice/practice';
	import Table from '$lib/ui/kit/Table.svelte';

	interface Props {
		said: ReaderSeen['said'];
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { said, units }: Props = $props();

	const shown = (parameter: ParameterId, value: number | undefined) =>
		value === undefined
			? '–'
			: `${plain(Number(convertSpan(value, PARAMETERS[parameter].canonicalUnit, units[parameter]).toPrecision(2)))} ${UNITS[units[parameter]].symbol}`;
</script>

{#if said.length > 0}
	<section class="mt-10" aria-labelledby="said-title">
		<h2 id="said-title" class="text-xl">Said before you saw</h2>
		<p class="small mt-1 text-muted">
			Nine of ten readings should lie within what you gave. The estimate is asked the same of the same
			readings.
		</p>
		<Table wide="Said before you saw" class="figures mt-3">
			<thead>
				<tr class="text-left text-muted">
					<th class="py-1 pr-4 font-normal">Of</th><th class="py-1 pr-4 font-normal">times</th>
					<th class="py-1 pr-4 font-normal">within what you gave</th><th class="py-1 pr-4 font-normal"
						>you were off by</th
					>
					<th class="py-1 font-normal">the estimate was off by</th>
				</tr>
			</thead>
			<tbody>
				{#each said as { parameter, own, estimate } (parameter)}
					<tr class="border-t">
						<td class="py-1.5 pr-4">{PARAMETERS[parameter].name}</td>
						<td class="py-1.5 pr-4">{own?.times ?? 0}</td>
						<td class="py-1.5 pr-4">{own ? percent(own.within) : '–'}, ± {shown(parameter, own?.give)}</td>
						<td class="py-1.5 pr-4">{shown(parameter, own?.off)}</td>
						<td class="py-1.5">{shown(parameter, estimate?.off)}</td>
					</tr>
				{/each}
			</tbody>
		</Table>
	</section>
{/if}
