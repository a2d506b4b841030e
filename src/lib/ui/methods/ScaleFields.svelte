<script lang="ts">
	import DraftField from './DraftField.svelte';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();
	const kind = $derived(draft.text.kind);
</script>

<div class="grid gap-5 sm:grid-cols-2">
	{#if kind === 'thermometer'}
		<DraftField {draft} name="scaleMark" label="Marks every" unit="°C" />
		<DraftField {draft} name="accuracyAbsolute" label="Accuracy ±" unit="°C" />
		<DraftField {draft} name="rangeLow" label="From" unit="°C" />
		<DraftField {draft} name="rangeHigh" label="to" unit="°C" />
	{:else}
		<DraftField {draft} name="scaleFrom" label="Scale of specific gravity, from" />
		<DraftField {draft} name="scaleTo" label="to" />
		<DraftField {draft} name="scaleMark" label="Marks every" />
		<DraftField {draft} name="scaleTolerance" label="Accuracy ±" />
		<DraftField {draft} name="waterC" label="It is right for water of" unit="°C" />
		<DraftField
			{draft}
			name="referenceC"
			label="compared with pure water of"
			unit="°C"
			help="Printed as 25/25 or 20/20. Without it the number means nothing."
		/>
		{#if kind === 'float'}
			<DraftField
				{draft}
				name="expansionPerK"
				label="Its glass expands by"
				unit="per K"
				help="0.000025 for glass; 0.0002 for plastic."
			/>
			<DraftField
				{draft}
				name="temperatureTolerance"
				label="The thermometer beside it holds to ±"
				unit="°C"
			/>
		{/if}
	{/if}
</div>
