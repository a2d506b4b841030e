<script lang="ts">
	import { typedNumber } from '$lib/core/numeric';
	import { limitInUnit, resultInUnit, symbolAfter } from '$lib/format/quantity';
	import Field from '$lib/ui/kit/Field.svelte';
	import { hasSteps, type EnteredKind } from './draft/method-text';
	import { byLeaflet, tried, trialOf } from './draft/try-reading';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();

	const method = $derived(draft.quietly);
	const trial = $derived(method && trialOf(method));
	/** Null as long as nobody typed one: then a usual reading stands there. */
	let typed = $state<string | null>(null);
	const shown = $derived(typed ?? trial?.usual ?? '');
	const value = $derived(typedNumber(shown));
	const results = $derived(
		method && trial && value !== null && Number.isFinite(value) ? tried(method, trial, value) : null
	);
	/** As the leaflet prints it, to be compared with what it says. */
	const printed = $derived.by(() => {
		const plain = results && method && value !== null ? byLeaflet(method, value) : null;
		return plain === null
			? null
			: `${limitInUnit(draft.text.parameter, Number(plain.toPrecision(4)), draft.text.unit)}${symbolAfter(draft.text.unit)}`;
	});
</script>

<section class="mt-6 border-t pt-4" aria-labelledby="try-title">
	<h2 id="try-title" class="text-xl">Try it</h2>
	{#if !method}
		<p class="mt-1 text-muted">
			{draft.missing} Then a reading is tried here.
		</p>
	{:else if !trial}
		<p class="mt-1 text-muted">
			{hasSteps(method.kind as EnteredKind)
				? 'A colour between two steps counts as between them, with half a step on either side as its uncertainty.'
				: 'What it makes of a reading is seen at the bench, with the first test.'}
		</p>
	{:else}
		<div class="mt-2 grid items-end gap-4 sm:grid-cols-[10rem_1fr]">
			<Field
				name="tried"
				label="A reading"
				inputmode="decimal"
				value={shown}
				oninput={(e) => (typed = e.currentTarget.value)}
				help={trial.asks}
			/>
			<p class="figures pb-7" role="status">
				{#if results && printed}
					gives <strong class="text-2xl">{printed}</strong>. Does your leaflet say so? If not, a field above
					is off.
					<span class="block"
						>Kept as {results.map((r) => resultInUnit(r, draft.text.unit)).join('; ')}: of the last drop only
						half was needed.</span
					>
				{:else if results}
					gives <strong class="text-2xl"
						>{results.map((r) => resultInUnit(r, draft.text.unit)).join('; ')}</strong
					>.
				{:else}
					<span class="text-muted">That cannot be read with this kit.</span>
				{/if}
			</p>
		</div>
		<p class="small text-muted">
			What stands behind ± is what such kits usually have; a check against a standard makes it smaller.
		</p>
	{/if}
	<p class="small mt-3 border-t pt-3">
		<strong>Look on the box for</strong>
		<span class="text-muted"
			>signs of danger on each bottle; the lot and its date, which go on the shelf; how many tests it holds;
			whether what is left in the syringe may go back.</span
		>
	</p>
</section>
