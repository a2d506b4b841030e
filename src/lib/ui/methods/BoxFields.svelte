<script lang="ts">
	import { HAZARDS } from '$lib/core/method';
	import { UNITS } from '$lib/core/quantity';
	import { HAZARD_NAMES } from '$lib/format/bench/hazard';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import { titrates } from './draft/method-text';
	import DraftField from './DraftField.svelte';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();

	const text = $derived(draft.text);
	const symbol = $derived(UNITS[text.unit].symbol);
	const HOLDS = ['10 mL vial with cap', '1 mL syringe with tip', 'spoon with two ends'].join('\n');
	function toggleHazard(hazard: (typeof HAZARDS)[number]): void {
		draft.set({
			hazards: text.hazards.includes(hazard)
				? text.hazards.filter((h) => h !== hazard)
				: [...text.hazards, hazard]
		});
	}
</script>

<fieldset class="mt-6">
	<legend class="font-semibold">What the labels warn of</legend>
	<div class="mt-2 flex flex-wrap gap-x-6 gap-y-1">
		{#each HAZARDS as hazard (hazard)}
			<Checkbox
				checked={text.hazards.includes(hazard)}
				onchange={() => toggleHazard(hazard)}
				class="min-h-11 items-center">{HAZARD_NAMES[hazard]}</Checkbox
			>
		{/each}
	</div>
	<p class="small text-muted">The cautions then stand beside every step with a reagent.</p>
</fieldset>
<Disclosure class="mt-4" title="What is in the box" look="link min-h-11">
	<div class="mt-2 space-y-5">
		<TextArea
			name="equipment"
			label="What the box holds besides its reagents"
			help="A thing on every line: vials, caps, syringes and tips, spoon, card, filter. It is what is fetched, and ticked once for each new lot."
			rows={4}
			value={text.equipment}
			oninput={(e) => draft.set({ equipment: e.currentTarget.value.slice(0, 2400) })}
			placeholder={HOLDS}
		/>
		<div class="grid gap-5 sm:grid-cols-2">
			{#if titrates(text) || text.kind === 'display'}
				<DraftField
					{draft}
					name="dilutions"
					label="Dilutions it offers, if any"
					help="Such as 5 10, for 1:5 and 1:10."
					words
				/>
			{/if}
			<DraftField {draft} name="tests" label="Tests in a pack, if printed" />
			<DraftField {draft} name="openedMonths" label="Keeps once opened, if printed" unit="months" />
			<DraftField {draft} name="limitLow" label="It holds from, if printed" unit={symbol} />
			<DraftField {draft} name="limitHigh" label="up to" unit={symbol} />
		</div>
	</div>
</Disclosure>
