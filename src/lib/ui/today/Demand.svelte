<script lang="ts">
	import type { EstimateToday } from '$lib/core/judgement/water';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { ratePerDay } from '$lib/format/quantity';
	import Table from '$lib/ui/kit/Table.svelte';

	interface Props {
		/** What is dosed, with readings enough to tell a rate. */
		used: readonly (EstimateToday & { readonly parameter: ParameterId })[];
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { used, units }: Props = $props();
</script>

<h2 class="label mt-8 max-lg:hidden">What the water uses in a day</h2>
<Table class="mt-3 max-w-[44rem] border-t">
	<thead>
		<tr class="small border-b text-left text-muted">
			<th class="py-2 font-normal"><span class="visually-hidden">Parameter</span></th>
			<th class="py-2 text-right font-normal">uses</th>
			<th class="py-2 text-right font-normal">daily doses bring</th>
			<th class="py-2 pl-6 font-normal"></th>
		</tr>
	</thead>
	<tbody>
		{#each used as { parameter, consumptionPerDay: use, netChangePerDay: net } (parameter)}
			{@const unit = units[parameter]}
			{@const uses = ratePerDay(parameter, use.value, use.u, unit)}
			{@const brings = ratePerDay(parameter, use.value + net.value, use.u, unit)}
			<tr class="border-b">
				<th scope="row" class="py-2.5 text-left">{PARAMETERS[parameter].name}</th>
				<td class="py-2.5 text-right whitespace-nowrap"
					>{use.value < 0 ? 'gains ' : ''}{uses.value} ± {uses.plusMinus}</td
				>
				<td class="py-2.5 text-right">{brings.value}</td>
				<td class="small py-2.5 pl-6 text-muted">{UNITS[unit].symbol} a day</td>
			</tr>
		{/each}
	</tbody>
</Table>
