<script lang="ts">
	import { UNITS } from '$lib/core/quantity';
	import { tableDoubts } from '$lib/core/method';
	import { faultText } from '$lib/format/faults/faults';
	import { tableDoubtWords } from '$lib/format/methods/table-doubt';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import ColourField from '$lib/ui/kit/ColourField.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import { countsDrops, MOST_LETTERS, type EnteredKind, type TitrationText } from './draft/method-text';
	import { parseTable, printedStepOf } from './draft/pasted-table';
	import type { TitrationPart } from './MethodDraft.svelte';
	import TitrationField from './TitrationField.svelte';

	interface Props {
		kind: EnteredKind;
		part: TitrationPart;
	}
	let { kind, part }: Props = $props();

	const text = $derived(part.text);
	const drops = $derived(countsDrops(kind, text));
	const one = $derived(drops ? '1 drop' : '1 mL');
	const symbol = $derived(UNITS[text.unit].symbol);
	const WORTHS = $derived([
		...(kind === 'back-titration' ? [{ value: 'excess', name: 'how much is titrated back' }] : []),
		{ value: 'factor', name: `what ${one} is worth` },
		{ value: 'table', name: 'the leaflet’s table' },
		{ value: 'points', name: 'two points of a straight line' },
		{ value: 'titrant', name: 'the titrant’s concentration' }
	]);
	const LEFT = { value: 'left', name: 'what is left' };
	const USED = { value: 'used', name: 'what was used' };
	const METERS = [
		{ value: 'syringe', name: 'with a syringe' },
		{ value: 'drops', name: 'in drops' }
	];
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
		name="{part.path}{name}"
		{label}
		rows={height}
		look="figures"
		help="{drops ? 'drops' : 'mL'} and {symbol} on every line"
		fault={part.faultOf(name)}
		value={text[name]}
		oninput={(e) => part.set({ [name]: e.currentTarget.value.slice(0, MOST_LETTERS + 1) })}
		{placeholder}
	/>
{/snippet}

{#if kind === 'back-titration'}
	<Choice
		name="{part.path}meterBy"
		label="The titrant is added"
		value={text.meterBy}
		items={METERS}
		onpick={(picked) => part.set({ meterBy: picked as TitrationText['meterBy'] })}
	/>
{/if}
{#if drops}
	<div class="grid gap-5 sm:grid-cols-2">
		<TitrationField {part} name="dropMl" label="One drop is" unit="mL" />
		<TitrationField
			{part}
			name="loadMl"
			label="A syringe is loaded with, if one is"
			unit="mL"
			help="More drops than that cannot be counted without filling again."
		/>
	</div>
{:else}
	<div class="grid gap-5 sm:grid-cols-3">
		<TitrationField {part} name="capacityMl" label="Syringe holds" unit="mL" />
		<TitrationField {part} name="graduationMl" label="Marks every" unit="mL" />
		<Choice
			name="{part.path}readAs"
			label="Leaflet asks for"
			value={text.readAs}
			items={[LEFT, USED]}
			onpick={(picked) => part.set({ readAs: picked as TitrationText['readAs'] })}
		/>
	</div>
{/if}
<Choice
	name="{part.path}worthBy"
	label="The leaflet gives"
	value={text.worthBy}
	items={WORTHS}
	onpick={(picked) => part.set({ worthBy: picked as TitrationText['worthBy'] })}
/>
{#if text.worthBy === 'factor'}
	<TitrationField {part} name="factor" label="{one} is worth" unit={symbol} />
{:else if text.worthBy === 'titrant'}
	<TitrationField {part} name="molPerL" label="Concentration of the titrant" unit="mol/L" />
{:else if text.worthBy === 'excess'}
	<div class="grid gap-5 sm:grid-cols-2">
		<TitrationField {part} name="excessMl" label="First reagent, given in excess" unit="mL" />
		<TitrationField {part} name="excessMolPerL" label="Its concentration" unit="mol/L" />
		<TitrationField {part} name="molPerL" label="Concentration of the titrant" unit="mol/L" />
	</div>
	<div class="grid gap-5 sm:grid-cols-2">
		<TitrationField
			{part}
			name="filtrateTakenMl"
			label="Of the filtrate is taken, if it is filtered"
			unit="mL"
		/>
		<TitrationField
			{part}
			name="filtrateOfMl"
			label="out of"
			unit="mL"
			help="Sample and reagents together."
		/>
	</div>
{:else if text.worthBy === 'points'}
	{@render lines('points', 'Two points', 3, '0 645\n10 489')}
{:else}
	{@render lines('table', 'The table, pasted or typed', 9, '0.00\t560\n0.10\t504\n0.20\t448')}
	{#if !drops}
		<Choice
			name="{part.path}tableReads"
			label="The table goes by"
			value={text.tableReads}
			items={[USED, LEFT]}
			onpick={(picked) => part.set({ tableReads: picked as TitrationText['tableReads'] })}
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
			<div class="grow"><TitrationField {part} {name} {label} words /></div>
			<ColourField label="{label}, shade" value={text[css]} onset={(shade) => part.set({ [css]: shade })} />
		</div>
	{/each}
</div>
<Disclosure title="More of the titrant" look="link min-h-11">
	<div class="mt-2 grid gap-5 sm:grid-cols-2">
		<TitrationField {part} name="titrant" label="What it is called" words />
		<TitrationField
			{part}
			name="strengthPercent"
			label="Its strength holds to ±"
			unit="%"
			help="1 % where nothing is said."
		/>
		{#if !drops}
			<TitrationField
				{part}
				name="headStartMl"
				label="May go in at once before the drops"
				unit="mL"
				help="Empty where the leaflet has no such thing."
			/>
		{/if}
	</div>
</Disclosure>
