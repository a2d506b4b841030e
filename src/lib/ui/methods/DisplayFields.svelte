<script lang="ts">
	import { UNITS } from '$lib/core/quantity';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import DraftField from './DraftField.svelte';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();
	const unit = $derived(UNITS[draft.text.unit].symbol);
</script>

<div class="grid gap-5 sm:grid-cols-2">
	<DraftField {draft} name="resolution" label="Last digit of the display" {unit} />
	<DraftField {draft} name="rangeLow" label="It shows from" {unit} />
	<DraftField {draft} name="rangeHigh" label="It shows up to" {unit} />
	<DraftField {draft} name="accuracyAbsolute" label="Accuracy ±" {unit} />
	<DraftField {draft} name="accuracyPercent" label="or ±, whichever is greater" unit="%" />
</div>
<Checkbox
	checked={draft.text.withTemperature}
	onchange={() => draft.set({ withTemperature: !draft.text.withTemperature })}
	>The temperature is entered beside it</Checkbox
>
