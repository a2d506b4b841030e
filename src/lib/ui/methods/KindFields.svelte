<script lang="ts">
	import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { isTitrated, unitsFor } from '$lib/core/method';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import ColourRows from './ColourRows.svelte';
	import DisplayFields from './DisplayFields.svelte';
	import DraftField from './DraftField.svelte';
	import { hasScale, hasSteps, titrates, type MethodText } from './draft/method-text';
	import type { MethodDraft } from './MethodDraft.svelte';
	import ScaleFields from './ScaleFields.svelte';
	import TitrationFields from './TitrationFields.svelte';

	let { draft }: { draft: MethodDraft } = $props();

	const text = $derived(draft.text);
	const second = $derived(draft.titration(1));
	const SUBTRACTS = [
		{ value: 'moles', name: 'by moles, as it should be' },
		{ value: 'plain', name: 'milligram for milligram, as some leaflets say' }
	];
	function then(parameter: ParameterId): void {
		draft.set({ second: { ...text.second, parameter, unit: PARAMETERS[parameter].canonicalUnit } });
	}
</script>

{#if titrates(text)}
	{#if text.kind === 'paired-titration'}
		<h2 class="border-t pt-4 text-xl">First, {PARAMETERS[text.parameter].name.toLowerCase()}</h2>
	{/if}
	<TitrationFields kind={text.kind} part={draft.titration(0)} />
	{#if text.kind === 'difference'}
		<Choice
			name="subtractBy"
			label="Calcium is taken off"
			value={text.subtractBy}
			items={SUBTRACTS}
			help="The drops find calcium and magnesium together; your own calcium result is asked for at the bench."
			onpick={(picked) => draft.set({ subtractBy: picked as MethodText['subtractBy'] })}
		/>
	{:else if text.kind === 'paired-titration'}
		<h2 class="border-t pt-4 text-xl">Then, in the same vial</h2>
		<div class="grid gap-5 sm:grid-cols-2">
			<Choice
				name="second.parameter"
				label="It measures"
				value={text.second.parameter}
				items={PARAMETER_IDS.filter(isTitrated).map((value) => ({ value, name: PARAMETERS[value].name }))}
				onpick={(picked) => then(picked as ParameterId)}
			/>
			<Choice
				name="second.unit"
				label="Its values are in"
				value={text.second.unit}
				items={unitsFor(text.second.parameter).map((value) => ({ value, name: UNITS[value].symbol }))}
				onpick={(picked) => second.set({ unit: picked as UnitId })}
			/>
		</div>
		<TitrationFields kind={text.kind} part={second} />
	{/if}
{:else if hasSteps(text.kind)}
	<ColourRows
		rows={text.colours}
		unit={UNITS[text.unit].symbol}
		onchange={(colours) => draft.set({ colours })}
	/>
	<div>
		<Checkbox checked={text.blank} onchange={() => draft.set({ blank: !text.blank })}
			>An untreated vial stands beside it</Checkbox
		>
		{#if text.kind === 'comparator'}
			<Checkbox checked={text.hasDisc} onchange={() => draft.set({ hasDisc: !text.hasDisc })}
				>It has a disc to put in</Checkbox
			>
		{/if}
	</div>
	<DraftField
		{draft}
		name="view"
		label="How it is looked at"
		help="Such as: from above, the vial on the white field."
		words
	/>
{:else if text.kind === 'display'}
	<DisplayFields {draft} />
{:else if hasScale(text.kind) || text.kind === 'thermometer'}
	<ScaleFields {draft} />
{/if}
