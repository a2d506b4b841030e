<script lang="ts">
	import type { ShelfAnswer, ShelfThing } from '$lib/contract/shelf-view';
	import { PARAMETER_IDS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { dueWords, supplySentence, toBuyWords } from '$lib/format/shelf/shelf';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import ShelfTable from './ShelfTable.svelte';

	interface Props {
		waterId: string;
		shelf: ShelfAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, shelf, units, timeZone, now }: Props = $props();

	const SOON_DAYS = 21;
	const base = $derived(`/waters/${waterId}/shelf`);
	const ownerName = ({ methodCode, reagent }: { methodCode: string; reagent: string }) =>
		`${reagent} of ${shelf.things.find((t) => t.method?.code === methodCode)?.method?.name ?? methodCode}`;
	/** By what they tell, in the order of the parameters. */
	const rank = (t: ShelfThing) =>
		t.method ? PARAMETER_IDS.indexOf(t.method.parameter) : PARAMETER_IDS.length;
	const here = $derived(shelf.things.filter((t) => t.retiredAt === null).sort((a, b) => rank(a) - rank(b)));
	const soon = (thing: ShelfThing) =>
		thing.supply.ends !== null && (thing.supply.ends.at - now) / 86_400_000 < SOON_DAYS;
	const ending = $derived(here.filter((t) => t.openedAt !== null && soon(t)));
	const due = $derived(here.filter((t) => t.due !== null));
	const GROUPS: readonly {
		readonly title: string;
		readonly of: (t: ShelfThing) => boolean;
		readonly none: string;
	}[] = [
		{
			title: 'Kits in use',
			of: (t) => t.kind === 'kit' && t.openedAt !== null,
			none: 'No kit is opened. Open one, and its tests are counted off.'
		},
		{ title: 'Kits not opened yet', of: (t) => t.kind === 'kit' && t.openedAt === null, none: '' },
		{
			title: 'Standards',
			of: (t) => t.kind === 'standard',
			none: 'No standard yet. With one, a kit can be checked.'
		},
		{ title: 'Instruments', of: (t) => t.kind === 'instrument', none: '' },
		{
			title: 'Syringes, scoops, vials, stirrers',
			of: (t) => !['kit', 'standard', 'instrument'].includes(t.kind),
			none: ''
		}
	];
	const groupOf = (thing: ShelfThing) => GROUPS.find((g) => g.of(thing));
	const titleOf = (thing: ShelfThing) => groupOf(thing)?.title ?? '';
	const inGroups = $derived(GROUPS.flatMap(({ of }) => here.filter(of)));
	const missing = $derived(GROUPS.flatMap(({ of, none }) => (none && !here.some(of) ? [none] : [])));
	const retired = $derived(shelf.things.filter((t) => t.retiredAt !== null));
</script>

<main class="shelf">
	<aside class="border-b bg-paper px-4 py-6 lg:border-r lg:border-b-0 lg:px-8">
		<h1 class="text-3xl">Shelf</h1>
		<May what="equip"
			><p class="mt-4">
				<Button kind="primary" size="large" href="{base}/new">Put something on it</Button>
			</p></May
		>
		{#if ending.length > 0}
			<h2 class="label mt-8">Ending</h2>
			<ul class="mt-2">
				{#each ending as thing (thing.id)}
					<li class="border-t py-3">
						<a class="link font-semibold" href="{base}/{thing.id}">{thing.name}</a>
						<span class="small figures block text-muted">{supplySentence(thing, timeZone, now)}</span>
					</li>
				{/each}
			</ul>
		{/if}
		{#if due.length > 0}
			<h2 class="label mt-8">To check on a standard</h2>
			<ul class="mt-2">
				{#each due as thing (thing.id)}
					<li class="border-t py-3">
						<a class="link font-semibold" href="{base}/{thing.id}#check">{thing.name}</a>
						<span class="small block text-muted">{thing.due ? dueWords(thing.due) : ''}</span>
					</li>
				{/each}
			</ul>
		{/if}
		<h2 class="label mt-8">To buy</h2>
		<ul class="mt-2">
			{#each shelf.toBuy as buy (buy.methodCode)}
				<li class="border-t py-3">
					<strong>{buy.name}</strong>
					<span class="small figures block text-muted">{toBuyWords(buy, timeZone, now)}</span>
				</li>
			{:else}
				<li class="small border-t py-3 text-muted">Nothing within four weeks.</li>
			{/each}
		</ul>
		<ul class="small mt-6 space-y-1">
			<li><a class="link inline-block py-1" href="{base}/shopping">Shopping list to print</a></li>
			<li><a class="link inline-block py-1" href="{base}/labels">Labels for bottles and syringes</a></li>
			<li><a class="link inline-block py-1" href="{base}/compare">Kits side by side</a></li>
			<li><a class="link inline-block py-1" href="{base}/standard">Make a standard</a></li>
		</ul>
	</aside>
	<div class="min-w-0 px-4 py-6 lg:px-8">
		<ShelfTable
			label="On the shelf"
			things={inGroups}
			group={titleOf}
			{base}
			{ownerName}
			{units}
			{timeZone}
			{now}
		/>
		{#each missing as none (none)}<p class="border-b py-4 text-muted">{none}</p>{/each}
		{#if retired.length > 0}
			<Disclosure class="mt-8" look="link label min-h-10"
				>{#snippet title()}Retired: {retired.length}{/snippet}
				<ShelfTable label="Retired" things={retired} {base} {ownerName} {units} {timeZone} {now} />
			</Disclosure>
		{/if}
	</div>
</main>

<style>
	@media (min-width: 64rem) {
		.shelf {
			display: grid;
			grid-template-columns: 21rem minmax(0, 1fr);
			width: 100%;
			max-width: 80rem;
			margin-inline: auto;
		}
	}
</style>
