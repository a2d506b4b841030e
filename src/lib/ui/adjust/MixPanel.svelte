<script lang="ts">
	import type { PlanPreview } from '$lib/core/judgement/plan';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { amountWords } from '$lib/format/adjust/adjust';
	import { fixed } from '$lib/format/number';
	import { limitInUnit } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';

	interface Props {
		mix: NonNullable<PlanPreview['mix']>;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { mix, units }: Props = $props();
</script>

<section aria-labelledby="mix" class="mt-8">
	<h2 id="mix" class="text-2xl">Another way to the same place</h2>
	<p class="mt-1 max-w-[46rem] text-muted">
		The best mix of all you have, in all; spread over the days like the plan above.
	</p>
	<ul class="figures mt-2 border-b">
		{#if mix.change}
			<li class="border-t py-2">
				First change {litresWords(mix.change.litres)} of water, with {mix.change.batch}
			</li>
		{/if}
		{#each mix.amounts as part (part.name)}
			<li class="border-t py-2">{amountWords(part.amount, part.unit)} of {part.name}</li>
		{/each}
		{#each mix.short as one (one.parameter)}
			<li class="border-t py-2">
				{PARAMETERS[one.parameter].name} comes to {limitInUnit(
					one.parameter,
					Number(one.reached.toPrecision(3)),
					units[one.parameter]
				)}: nearer than that nothing at hand brings it.
			</li>
		{/each}
	</ul>
	<p class="small mt-1 text-muted">
		Salinity rises by {fixed(mix.salinityRise, 2)} with it.
	</p>
</section>
