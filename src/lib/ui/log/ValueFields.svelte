<script lang="ts">
	import {
		convertSpan,
		PARAMETER_IDS,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import { NEW_WATER_U } from '$lib/core/record';
	import { plain } from '$lib/format/number';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';

	interface Props {
		/** What new water held, or what a mL of a product raises. */
		of: 'new-water' | 'strength';
		/** What stands in the field of a parameter, '' where nothing does. */
		shown: (parameter: ParameterId) => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		fault: string | undefined;
	}
	let { of, shown, units, fault }: Props = $props();

	const prefix = $derived(of === 'new-water' ? 'details.newWater' : 'details.strength');
	/** What most supplements and most new water are about; the others are a press away. */
	const MAIN: readonly ParameterId[] = ['alkalinity', 'calcium'];
	const rest = $derived(
		PARAMETER_IDS.filter(
			(p) =>
				!MAIN.includes(p) && (of === 'new-water' ? p !== 'ph' && p !== 'temperature' : PARAMETERS[p].dosed)
		)
	);
	/** How well a typed value of new water is taken to be known. */
	const takenAs = (parameter: ParameterId) => {
		const { canonicalUnit } = PARAMETERS[parameter];
		const half = convertSpan(2 * NEW_WATER_U[parameter], canonicalUnit, units[parameter]);
		return `taken as ± ${plain(Number(half.toPrecision(2)))}`;
	};
</script>

{#snippet value(parameter: ParameterId)}
	<Field
		name="{prefix}.{parameter}"
		label={PARAMETERS[parameter].name}
		unit={UNITS[units[parameter]].symbol}
		inputmode="decimal"
		help={of === 'new-water' ? takenAs(parameter) : ''}
		value={shown(parameter)}
	/>
{/snippet}

<fieldset>
	<legend class="font-semibold">
		{of === 'new-water'
			? 'What the new water held, where it was tested'
			: '1 mL raises 100 L by, as the label says'}
	</legend>
	<div class="mt-2 grid gap-4 sm:grid-cols-2">
		{#each MAIN as parameter (parameter)}{@render value(parameter)}{/each}
	</div>
	<Disclosure class="mt-3" open={rest.some((p) => shown(p) !== '')} look="link min-h-10"
		>{#snippet title()}{rest.map((p) => PARAMETERS[p].name.toLowerCase()).join(', ')}{/snippet}
		<div class="mt-2 grid gap-4 sm:grid-cols-2">
			{#each rest as parameter (parameter)}{@render value(parameter)}{/each}
		</div>
	</Disclosure>
	{#if fault}<p class="small mt-1 font-semibold text-warn">{fault}</p>{/if}
	<p class="small mt-2 text-muted">
		{of === 'new-water'
			? 'Leave open what was not tested: then the estimate knows that something unknown came in, and widens.'
			: 'Leave open what it does not raise. With nothing filled in, the estimate knows that something unknown went in, and widens.'}
	</p>
</fieldset>
