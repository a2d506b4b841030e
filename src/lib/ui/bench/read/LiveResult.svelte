<script lang="ts">
	import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { resultInUnit } from '$lib/format/quantity';
	import type { Measurement } from './measure';

	interface Props {
		/** What would follow from the reading as it stands; null while nothing was read. */
		live: Measurement | null;
		parameters: readonly ParameterId[];
		units: Readonly<Record<ParameterId, UnitId>>;
		/** "if it turned now", "as it stands" */
		lead: string;
		/** The reading is blind: the value is not shown before it was entered. */
		hidden?: boolean;
	}
	let { live, parameters, units, lead, hidden = false }: Props = $props();
	const names = $derived(parameters.map(nameWithin).join(' and '));
</script>

<div class="figures mt-4 border-t pt-3" aria-live="polite">
	{#if hidden}
		<p class="text-muted">Hidden until it is read.</p>
	{:else if live && live.outcomes.length > 0}
		<p class="text-muted">{lead}</p>
		{#each live.outcomes as { outcome: { result } } (result.parameter)}
			<p class="text-3xl leading-tight font-bold text-balance lg:text-4xl">
				{#if live.outcomes.length > 1}<span class="text-lg font-normal text-muted"
						>{PARAMETERS[result.parameter].symbol}</span
					>{/if}
				{resultInUnit(result, units[result.parameter])}
			</p>
		{/each}
	{:else}
		<p class="text-muted">
			The {names} in {UNITS[units[parameters[0]!]].symbol} stands here once it is read.
		</p>
	{/if}
</div>
