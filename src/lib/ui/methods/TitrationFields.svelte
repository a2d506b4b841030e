<script lang="ts">
	import { UNITS } from '$lib/core/quantity';
	import { tableDoubts } from '$lib/core/method';
	import { faultText } from '$lib/format/faults/faults';
	import { tableDoubtWords } from '$lib/format/methods/table-doubt';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import ColourField from '$lib/ui/kit/ColourField.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import { MOST_LETTERS, type MethodText } from './draft/method-text';
	import { parseTable, printedStepOf } from './draft/pasted-table';
	import DraftField from './DraftField.svelte';
	import type { MethodDraft } from './MethodDraft.svelte';

	let { draft }: { draft: MethodDraft } = $props();

	const text = $derived(draft.text);
	const drops = $derived(text.kind === 'drop-titration');
	const one = $derived(drops ? '1 drop' : '1 mL');
	const symbol = $derived(UNITS[text.unit].symbol);
	const WORTHS = $derived([
		{ value: 'factor', name: `what ${one} is worth` },
		{ value: 'table', name: 'the leaflet’s table' },
		{ value: 'points', name: 'two points of a straight line' },
		{ value: 'titrant', name: 'the titrant’s concentration' }
	]);
	const LEFT = { value: 'left', name: 'what is left' };
	const USED = { value: 'used', name: 'what was used' };
	const COLOURS = [
		['startColour', 'startCss', 'Colour before'],
		['endColour', 'endCss', 'Colour at the end']
	] as const;
	const rows = $derived(text.worthBy === 'table' && text.table.trim() !== '' ? parseTable(text.table) : null);
	const doubts = $derived(
		rows?.ok
			? tableDoubts(rows.value, printedStepOf(rows.value.map(([, y]) => y))).map((d) =>
					tableDoubtWords(d, rows.value)
				)
			: []
	);
</script>

{#snippet lines(name: 'table' | 'points', label: string, height: number, placeholder: string)}
	<TextArea
		{name}
		{label}
		rows={height}
		look="figures"
		help="{drops ? 'drops' : 'mL'} and {symbol} on every line"
		value={text[name]}
		oninput={(e) => draft.set({ [name]: e.currentTarget.value.slice(0, MOST_LETTERS + 1) })}
		{placeholder}
	/>
{/snippet}

{#if !drops}
	<div class="grid gap-5 sm:grid-cols-3">
		<DraftField {draft} name="capacityMl" label="Syringe holds" unit="mL" />
		<DraftField {draft} name="graduationMl" label="Marks every" unit="mL" />
		<Choice
			name="readAs"
			label="Leaflet asks for"
			value={text.readAs}
			items={[LEFT, USED]}
			onpick={(picked) => draft.set({ readAs: picked as MethodText['readAs'] })}
		/>
	</div>
{/if}
<Choice
	name="worthBy"
	label="The leaflet gives"
	value={text.worthBy}
	items={WORTHS}
	onpick={(picked) => draft.set({ worthBy: picked as MethodText['worthBy'] })}
/>
{#if text.worthBy === 'factor'}
	<DraftField {draft} name="factor" label="{one} is worth" unit={symbol} />
{:else if text.worthBy === 'titrant'}
	<DraftField {draft} name="molPerL" label="Concentration of the titrant" unit="mol/L" />
{:else if text.worthBy === 'points'}
	{@render lines('points', 'Two points', 3, '0 645\n10 489')}
{:else}
	{@render lines('table', 'The table, pasted or typed', 9, '0.00\t560\n0.10\t504\n0.20\t448')}
	{#if !drops}
		<Choice
			name="tableReads"
			label="The table goes by"
			value={text.tableReads}
			items={[USED, LEFT]}
			onpick={(picked) => draft.set({ tableReads: picked as MethodText['tableReads'] })}
		/>
	{/if}
	{#if rows}
		<p class="small {rows.ok ? 'text-muted' : 'font-semibold text-warn'}" role="status">
			{rows.ok
				? `${rows.value.length} rows read, from ${rows.value[0]!.join(' → ')} to ${rows.value.at(-1)!.join(' → ')}.`
				: faultText(rows.fault)}
		</p>
		{#each doubts as doubt (doubt)}<p class="small border-l-4 border-warn pl-3">{doubt}</p>{/each}
	{/if}
{/if}
<div class="grid gap-5 sm:grid-cols-2">
	{#each COLOURS as [name, css, label] (name)}
		<div class="flex items-end gap-3">
			<div class="grow"><DraftField {draft} {name} {label} words /></div>
			<ColourField label="{label}, shade" value={text[css]} onset={(shade) => draft.set({ [css]: shade })} />
		</div>
	{/each}
</div>
