<script lang="ts">
	import { raisedBy, STOCK } from '$lib/core/correction';
	import type { NamedSupplement } from '$lib/core/judgement/plan';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { listed } from '$lib/format/adjust/adjust';
	import Dangers from './Dangers.svelte';
	import OwnSupplements from './OwnSupplements.svelte';
	import { strengthWords } from './supplement-words';
	import SupplementForm from './SupplementForm.svelte';

	interface Props {
		waterId: string;
		volumeL: number | null;
		supplements: readonly NamedSupplement[];
		/** The last value of each parameter, for leaflets' tables; canonical units. */
		levels: Readonly<Partial<Record<ParameterId, number>>>;
		units: Readonly<Record<ParameterId, UnitId>>;
		id: string;
		form: { readonly entered: Record<string, string>; readonly field: string; readonly text: string } | null;
		saved: boolean;
	}
	let { waterId, volumeL, supplements, levels, units, id, form, saved }: Props = $props();

	const own = $derived(supplements.filter((s) => s.own));
	const shipped = $derived(supplements.filter((s) => !s.own));
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Salts and products</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		What is added, and how strong it is. A label is believed to 20 %, a salt by its purity, a trial as well as
		you read it.
	</p>
	{#if own.length > 0}<OwnSupplements {own} {volumeL} {levels} />{/if}

	<h2 class="mt-8 text-2xl">Enter one</h2>
	<SupplementForm {units} {id} {form} {saved} />

	<h2 class="mt-10 text-2xl">Common salts</h2>
	<ul class="mt-2 border-b">
		{#each shipped as s (s.id)}
			<li class="small figures flex flex-wrap justify-between gap-x-6 border-t py-2">
				<strong>{s.name}</strong>
				{#if s.what.kind !== 'table'}<span class="text-muted"
						>{strengthWords(s.what)}; raises {listed(raisedBy(s.what))}{s.what.kind === 'salt'
							? `; at most ${STOCK[s.what.compound].mostGPerL} g/L in a bottle`
							: ''}</span
					>{/if}
			</li>
		{/each}
	</ul>
	<Dangers dangers={['grade', 'concentrates', 'caustic', 'heats', 'oxidiser', 'children', 'label']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
