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
	} from '$lib/format/shelf';
	import BottleLevels from './BottleLevels.svelte';

	interface Props {
		thing: ShelfThing;
		base: string;
		/** "B of Alkalinity by syringe" */
		ownerName: (owner: { methodCode: string; reagent: string }) => string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { thing, base, ownerName, units, timeZone, now }: Props = $props();

	const times = $derived(thing.kind === 'kit' && thing.method ? timesOf(thing.method.steps) : null);
	const owner = $derived(
		thing.details.belongsTo
			? `belongs to ${ownerName(thing.details.belongsTo)}`
			: thing.kind === 'instrument'
				? ''
				: 'shared'
	);
	const past = $derived(thing.supply.goodUntil !== null && thing.supply.goodUntil <= now);
	const checked = $derived(checkedWords(thing, units, timeZone, now));
	const facts = $derived(
		[
			thing.lotCode ? `lot ${thing.lotCode}` : '',
			thing.openedAt
				? `opened ${shortDay(thing.openedAt, timeZone, now)}`
				: thing.kind === 'kit'
					? 'closed'
					: '',
			thing.cost.full === null
				? ''
				: `${costWords(thing.cost.full)}${thing.cost.half === null || thing.cost.half === thing.cost.full ? '' : `, half sample ${costWords(thing.cost.half)}`}`,
			times ? `${aboutMinutes(times.totalS)}, hands ${aboutMinutes(times.handsS)}` : ''
		]
			.filter(Boolean)
			.join('; ')
	);
</script>

<article class="row border-b {thing.bottles.length > 0 ? 'bottled py-4' : 'py-3'}">
	{#if thing.bottles.length > 0}
		<BottleLevels bottles={thing.bottles} endsFirst={thing.supply.testsLeft?.endsFirst ?? null} />
	{/if}
	<div>
		<h3 class="text-lg leading-tight"><a class="link" href="{base}/{thing.id}">{thing.name}</a></h3>
		<p class="small figures text-muted">{facts || owner || SHELF_KIND_NAMES[thing.kind]}</p>
		{#if thing.kind === 'standard'}<p class="small figures">{contentsWords(thing, units)}</p>{/if}
	</div>
	<p class="small figures">
		<span class={past || thing.supply.testsLeft?.tests === 0 ? 'font-semibold text-warn' : ''}
			>{supplySentence(thing, timeZone, now)}</span
		>
		{#if checked}<span class="block text-muted">Check: {checked}.</span>{/if}
		{#if thing.due}<span class="block font-semibold">Check it: {dueWords(thing.due)}.</span>{/if}
	</p>
</article>

<style>
	.row {
		display: grid;
		gap: 0.5rem 1.5rem;
		align-items: center;
	}
	@media (min-width: 56rem) {
		.row {
			grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
		}
		.bottled {
			grid-template-columns: 12rem minmax(0, 1.1fr) minmax(0, 1fr);
		}
	}
</style>
