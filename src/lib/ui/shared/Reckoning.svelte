<script lang="ts">
	import type { Method } from '$lib/core/method';
	import { PARAMETERS, type UnitId } from '$lib/core/quantity';
	import type { KnownKit, Outcome, RawReading } from '$lib/core/reading';
	import { COVERAGE, largestComponent } from '$lib/core/uncertainty';
	import {
		arithmeticWords,
		budgetWords,
		halfSampleHelp,
		sourceHelp,
		sourceName
	} from '$lib/format/result/arithmetic';
	import { fixed, percent } from '$lib/format/number';
	import { widthWords } from '$lib/format/quantity';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import SimulationCheck from './SimulationCheck.svelte';

	interface Props {
		method: Method;
		reading: RawReading;
		/** What is known of the kit that it was made with. */
		kit: KnownKit | null;
		outcome: Outcome;
		which: number;
		unit: UnitId;
		named: boolean;
	}
	let { method, reading, kit, outcome, which, unit, named }: Props = $props();

	const { result } = $derived(outcome);
	const components = $derived(outcome.components);
	/** What the ± is of the standard uncertainty. */
	const coverage = $derived((result.kind === 'value' ? result.coverage : undefined) ?? COVERAGE);
	const largest = $derived(components.length > 0 ? largestComponent(components) : null);
</script>

<section class={named ? 'mb-8' : ''}>
	{#if named}<h2 class="text-xl">{PARAMETERS[result.parameter].name}</h2>{/if}
	<Disclosure open title="How it was reckoned" look="label min-h-8">
		<dl class="figures mt-1 border-t">
			{#each arithmeticWords(outcome.arithmetic, result.parameter, unit) as line, i (i)}
				<div class="border-b py-2">
					<dt class="small text-muted">{line.what}</dt>
					<dd class="font-semibold">{line.sum}</dd>
				</div>
			{/each}
		</dl>
	</Disclosure>
	{#if largest}
		<Disclosure open class="mt-6" look="label min-h-8"
			>{#snippet title()}Why {widthWords(result, unit)}{/snippet}
			<p class="small mt-1">
				Most of it is {sourceName(largest.source)}.
				{reading.portion === 'half' ? halfSampleHelp(largest.source) : sourceHelp(largest.source)}
			</p>
			<Table class="small mt-2 border-t">
				<thead class="visually-hidden"><tr><th>Source</th><th>alone, ±</th><th>share</th></tr></thead>
				<tbody>
					{#each budgetWords(components, result.parameter, unit, coverage) as row, i (i)}
						<tr class="border-b">
							<td class="py-1.5 pr-2"
								>{row.name}{#if row.common}<span class="text-muted">, the same every time</span>{/if}</td
							>
							<td class="py-1.5 text-right whitespace-nowrap">± {row.expanded}</td>
							<td class="w-16 py-1.5 text-right text-muted">{percent(row.share)}</td>
						</tr>
					{/each}
				</tbody>
			</Table>
			<p class="small mt-2 text-muted">
				± covers about 95 % (k = {fixed(coverage, coverage === COVERAGE ? 0 : 2)}). Single parts add up as
				squares.
			</p>
			<!-- A reading that is changed, as when a slip is taken back, needs a simulation of its own. -->
			{#key JSON.stringify(reading)}
				<SimulationCheck request={{ method, reading, kit, which }} {result} {unit} />
			{/key}
		</Disclosure>
	{/if}
</section>
