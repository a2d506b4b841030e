<script lang="ts">
	import { litresWords, READERS_UNIT, volumeSymbol } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { reader } from '$lib/format/reader';
	import type { WaterDraft } from './WaterDraft.svelte';

	interface Props {
		draft: WaterDraft;
		fault: (name: string) => string | undefined;
		/** A volume is known already. */
		known?: boolean;
	}
	let { draft, fault, known = false }: Props = $props();

	const ROCK = [
		{ value: 'unknown', name: 'not said' },
		{ value: 'none', name: 'none' },
		{ value: 'little', name: 'a little' },
		{ value: 'usual', name: 'a usual amount' },
		{ value: 'much', name: 'much' }
	];
	const HOW = [
		{ value: 'guessed', name: 'I guess so' },
		{ value: 'measured', name: 'measured while filling, or by a dose' }
	];
	const symbol = $derived(draft.lengths === 'inch' ? 'in' : 'cm');
	/** Where it lies with a chance of 95 in 100. */
	const between = $derived(
		draft.volume
			? [draft.volume.value - 2 * draft.volume.u, draft.volume.value + 2 * draft.volume.u].map((l) =>
					litresWords(Number(Math.max(0, l).toPrecision(2)))
				)
			: null
	);
	const unit = $derived(READERS_UNIT[reader().volumes]);
</script>

{#if draft.by === 'glass'}
	<Hidden name="lengths" value={draft.lengths} />
	{#if unit !== 'litre'}<Hidden name="sump.unit" value={unit} />{/if}
	<div class="grid grid-cols-3 gap-x-4 gap-y-5 sm:grid-cols-[1fr_1fr_1fr_1.7fr_1.1fr]">
		<Field
			name="long"
			label="Long"
			unit={symbol}
			inputmode="decimal"
			bind:value={draft.long}
			fault={fault('long')}
		/>
		<Field
			name="deep"
			label="Deep"
			unit={symbol}
			inputmode="decimal"
			bind:value={draft.deep}
			fault={fault('deep')}
		/>
		<Field
			name="filled"
			label="Filled to"
			unit={symbol}
			inputmode="decimal"
			bind:value={draft.filled}
			fault={fault('filled')}
		/>
		<Choice
			name="rock"
			label="Rock, sand"
			items={ROCK}
			bind:value={draft.rock}
			fault={fault('rock')}
			class="max-sm:col-span-2"
		/>
		<Field
			name="sump"
			label="Sump"
			unit={volumeSymbol()}
			inputmode="decimal"
			bind:value={draft.sump}
			fault={fault('sump')}
		/>
	</div>
{:else}
	{#if unit !== 'litre'}<Hidden name="litres.unit" value={unit} />{/if}
	<div class="grid gap-x-4 gap-y-5 sm:grid-cols-[12rem_1fr]">
		<Field
			name="litres"
			label="Water in it"
			unit={volumeSymbol()}
			inputmode="decimal"
			bind:value={draft.litres}
			fault={fault('litres')}
		/>
		<Choice name="how" label="Known how?" items={HOW} bind:value={draft.how} />
	</div>
{/if}
<p class="figures mt-4 text-xl text-muted" aria-live="polite">
	{#if draft.volume && between}
		<strong class="text-ink">{litresWords(Number(draft.volume.value.toPrecision(3)))}</strong> of water,
		between
		{between[0]} and {between[1]}. {draft.how === 'measured' && draft.by === 'litres'
			? ''
			: 'A dose tells better; until then advice keeps to the careful side.'}
	{:else if !known}
		<span class="text-base">Until it is known, nothing is advised that is measured by it.</span>
	{/if}
</p>
<p class="mt-2">
	<Button kind="text" class="min-h-11" onclick={() => (draft.by = draft.by === 'glass' ? 'litres' : 'glass')}
		>{draft.by === 'glass' ? 'I know how much it holds' : 'Reckon it from the glass'}</Button
	>
</p>
