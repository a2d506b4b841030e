<script lang="ts">
	import { unitsFor } from '$lib/core/method';
	import {
		formsApart,
		formsOf,
		PARAMETER_IDS,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import { KIND_NAMES } from '$lib/format/methods/method';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DraftField from './DraftField.svelte';
	import { ENTERED_KINDS, hasScale, hasSteps, titrates, type MethodText } from './draft/method-text';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();

	const text = $derived(draft.text);
	const KINDS = ENTERED_KINDS.map((value) => ({ value, name: KIND_NAMES[value] }));
	const measured = $derived(!hasScale(text.kind) && text.kind !== 'thermometer');
	/** One that stands in the kit that is adapted is offered as well. */
	const forms = $derived([...new Set([...formsOf(text.parameter), text.species])]);
	/** Asked where it matters most, or where it is another than the usual one. */
	const asksForm = $derived(
		forms.some((f) => formsApart(text.parameter, f, forms[0]!) === 'not-interchangeable') ||
			(forms.length > 1 && text.species !== forms[0])
	);
	const units = $derived(unitsFor(text.parameter).map((value) => ({ value, name: UNITS[value].symbol })));
	function measures(parameter: ParameterId): void {
		draft.set({
			parameter,
			unit: PARAMETERS[parameter].canonicalUnit,
			species: formsOf(parameter)[0] ?? PARAMETERS[parameter].species
		});
	}
</script>

<DraftField {draft} name="name" label="Name" help="As you call it; names of makers stay on the box." words />
<div class="grid gap-5 sm:grid-cols-2">
	<Choice
		name="kind"
		label="It is read by"
		value={text.kind}
		items={KINDS}
		onpick={(picked) => draft.change(picked as MethodText['kind'])}
	/>
	<Choice
		name="parameter"
		label="It measures"
		value={text.parameter}
		items={PARAMETER_IDS.map((value) => ({ value, name: PARAMETERS[value].name }))}
		onpick={(picked) => measures(picked as ParameterId)}
	/>
	<Choice
		name="unit"
		label="Its values are in"
		value={text.unit}
		items={units}
		help={text.parameter === 'nitrate' || text.parameter === 'ammonia' || text.parameter === 'nitrite'
			? 'Of the ion or of its nitrogen: look twice.'
			: text.parameter === 'phosphate'
				? 'Of phosphate or of its phosphorus: look twice.'
				: ''}
		onpick={(picked) => draft.set({ unit: picked as UnitId })}
	/>
	{#if asksForm}
		<Choice
			name="species"
			label="What of it is found"
			value={text.species}
			items={forms.map((value) => ({ value, name: value }))}
			onpick={(species) => draft.set({ species })}
		/>
	{/if}
	{#if measured}
		<DraftField
			{draft}
			name="fullMl"
			label={text.kind === 'display' ? 'Sample, if one is measured' : 'Sample'}
			unit="mL"
		/>
	{/if}
	{#if titrates(text)}
		<DraftField {draft} name="halfMl" label="Half sample, if any" unit="mL" />
	{/if}
	{#if hasSteps(text.kind)}
		<DraftField
			{draft}
			name="dilutions"
			label="Dilutions it offers, if any"
			help="Such as 5 10, for 1:5 and 1:10."
			words
		/>
	{/if}
</div>
