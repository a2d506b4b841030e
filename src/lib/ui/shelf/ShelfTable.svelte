<script lang="ts">
	import type { ShelfThing } from '$lib/contract/shelf-view';
	import { timesOf } from '$lib/core/method';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { aboutMinutes, shortDay } from '$lib/format/date';
	import {
		checkedWords,
		contentsWords,
		costWords,
		dueWords,
		SHELF_KIND_NAMES,
		supplySentence
	} from '$lib/format/shelf/shelf';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import BottleLevels from './BottleLevels.svelte';

	interface Props {
		label: string;
		things: readonly ShelfThing[];
		/** Under which heading a thing stands. */
		group?: (thing: ShelfThing) => string;
		base: string;
		/** "B of Alkalinity by syringe" */
		ownerName: (owner: { methodCode: string; reagent: string }) => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { label, things, group, base, ownerName, units, timeZone, now }: Props = $props();

	/** What there is to know of it beside its name. */
	function factsOf(thing: ShelfThing): string {
		const { kind, details, cost } = thing;
		const times = kind === 'kit' && thing.method ? timesOf(thing.method.steps) : null;
		const facts = [
			thing.lotCode ? `lot ${thing.lotCode}` : '',
			thing.openedAt ? `opened ${shortDay(thing.openedAt, timeZone, now)}` : kind === 'kit' ? 'closed' : '',
			cost.full === null
				? ''
				: `${costWords(cost.full)}${cost.half === null || cost.half === cost.full ? '' : `, half sample ${costWords(cost.half)}`}`,
			times ? `${aboutMinutes(times.totalS)}, hands ${aboutMinutes(times.handsS)}` : ''
		].filter(Boolean);
		if (facts.length > 0) return facts.join('; ');
		if (details.belongsTo) return `belongs to ${ownerName(details.belongsTo)}`;
		return kind === 'instrument' ? SHELF_KIND_NAMES[kind] : 'shared';
	}
	const isPast = ({ supply }: ShelfThing) =>
		(supply.goodUntil !== null && supply.goodUntil <= now) || supply.testsLeft?.tests === 0;
	const wordsOf = (thing: ShelfThing) =>
		`${thing.name} ${factsOf(thing)} ${supplySentence(thing, timeZone, now)} ${group?.(thing) ?? ''}`;
	const COLUMNS: readonly Column<ShelfThing>[] = [
		{ id: 'bottles', name: '', class: 'sm:w-48 sm:align-middle' },
		{ id: 'name', name: 'What', by: (thing) => thing.name, class: 'sm:align-middle' },
		{
			id: 'ends',
			name: 'What is left',
			by: ({ supply }) => supply.ends?.at ?? null,
			class: 'sm:w-[40%] sm:align-middle'
		}
	];
</script>

<DataTable
	{label}
	rows={things}
	columns={COLUMNS}
	key={(thing) => thing.id}
	words={wordsOf}
	{...group ? { group } : {}}
	searched={things.length > 8}
	stacked="gap-y-1 py-3"
>
	{#snippet cell(thing: ShelfThing, column: string)}
		{#if column === 'bottles'}
			{#if thing.bottles.length > 0}
				<BottleLevels bottles={thing.bottles} endsFirst={thing.supply.testsLeft?.endsFirst ?? null} />
			{/if}
		{:else if column === 'name'}
			<a class="link text-lg leading-tight font-semibold" href="{base}/{thing.id}">{thing.name}</a>
			<span class="small figures block text-muted">{factsOf(thing)}</span>
			{#if thing.kind === 'standard'}<span class="small figures block">{contentsWords(thing, units)}</span
				>{/if}
		{:else}
			{@const checked = checkedWords(thing, units, timeZone, now)}
			<span class="small figures block {isPast(thing) ? 'font-semibold text-warn' : ''}"
				>{supplySentence(thing, timeZone, now)}</span
			>
			{#if checked}<span class="small figures block text-muted">Check: {checked}.</span>{/if}
			{#if thing.due}<span class="small block font-semibold">Check it: {dueWords(thing.due)}.</span>{/if}
		{/if}
	{/snippet}
</DataTable>
