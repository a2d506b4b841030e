<script lang="ts">
	import { enhance } from '$app/forms';
	import { COMPOUNDS, doseByTable, raisedBy, recipeFor, type Supplement } from '$lib/core/correction';
	import type { NamedSupplement } from '$lib/core/judgement/plan';
	import { nameWithin, type ParameterId } from '$lib/core/quantity';
	import { listed } from '$lib/format/adjust/adjust';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { strengthWords } from './supplement-words';

	interface Props {
		own: readonly NamedSupplement[];
		volumeL: number | null;
		/** The last value of each parameter, for leaflets' tables; canonical units. */
		levels: Readonly<Partial<Record<ParameterId, number>>>;
	}
	let { own, volumeL, levels }: Props = $props();

	const recipeOf = (what: Supplement) => {
		if (what.kind !== 'solution') return null;
		const made = recipeFor(what.parts, 1);
		return made.kind === 'recipe' ? made.recipe : null;
	};
</script>

<h2 class="mt-8 text-2xl">Yours</h2>
<ul class="mt-2 border-b">
	{#each own as s (s.id)}
		{@const recipe = s.what.kind === 'table' ? null : recipeOf(s.what)}
		<li class="border-t py-3">
			<strong>{s.name}</strong>
			{#if s.what.kind === 'table'}
				{@const reading = levels[s.what.parameter]}
				<span class="small block text-muted"
					>By its leaflet’s table on {nameWithin(s.what.parameter)}, steered by retests: nobody knows what it
					brings.</span
				>
				{#if reading !== undefined && volumeL !== null}
					<span class="figures block"
						>At {plain(Number(reading.toPrecision(2)))}: {plain(
							Number(doseByTable(s.what.rows, reading, volumeL).toPrecision(3))
						)}
						{s.what.unit === 'ml' ? 'mL' : 'g'} a day. Test again after four days.</span
					>
				{/if}
			{:else}
				<span class="small figures block text-muted"
					>{strengthWords(s.what)}. Raises {listed(raisedBy(s.what))}.</span
				>
			{/if}
			{#if recipe}
				<span class="small block"
					>For a litre: {recipe.masses
						.map(
							(m) => `${plain(Number(m.grams.toPrecision(3)))} g ${COMPOUNDS[m.compound].name.toLowerCase()}`
						)
						.join(', ')}, filled up with purified water. Keeps {recipe.keepsMonths} months, closed and labelled.</span
				>
			{/if}
			{#if s.notWith}<span class="small block border-l-4 border-warn pl-2"
					>Its label forbids to combine it with: {s.notWith}</span
				>{/if}
			<form method="post" action="?/retire" use:enhance={sending}>
				<Hidden name="supplementId" value={s.id} />
				<Button kind="quiet" type="submit">No longer in use</Button>
			</form>
		</li>
	{/each}
</ul>
