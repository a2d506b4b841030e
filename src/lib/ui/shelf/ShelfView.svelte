<script lang="ts">
	import type { ShelfAnswer, ShelfThing } from '$lib/contract/shelf-view';
	import { PARAMETER_IDS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { toBuyWords } from '$lib/format/shelf/shelf';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import ShelfTable from './ShelfTable.svelte';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';

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
	/** No longer good, or not for long: what is opened, first what ends first. */
	const ends = (t: ShelfThing) => t.openedAt !== null && soon(t);
	const GROUPS: readonly {
		readonly title: string;
		readonly of: (t: ShelfThing) => boolean;
		readonly none: string;
	}[] = [
		{ title: 'Ends soon, or has ended', of: ends, none: '' },
		{ title: 'To check on a standard', of: (t) => t.due !== null, none: '' },
		{ title: 'In use', of: (t) => t.kind === 'kit' && t.openedAt !== null, none: '' },
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
	/** Each stands once, under the first that it belongs to. */
	const groupOf = (thing: ShelfThing) => GROUPS.find((g) => g.of(thing));
	const titleOf = (thing: ShelfThing) => groupOf(thing)?.title ?? '';
	const inGroups = $derived(
		GROUPS.flatMap((group) => {
			const own = here.filter((t) => groupOf(t) === group);
			return group.of === ends
				? own.toSorted((a, b) => (a.supply.ends?.at ?? now) - (b.supply.ends?.at ?? now))
				: own;
		})
	);
	const missing = $derived([
		...(here.some((t) => t.kind === 'kit' && t.openedAt !== null)
			? []
			: ['No kit is opened. Open one, and its tests are counted off.']),
		...GROUPS.flatMap(({ of, none }) => (none && !here.some(of) ? [none] : []))
	]);
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
			<li><a class="link inline-block py-1" href="{base}/kinds">What to get, and what it costs a year</a></li>
			<li><a class="link inline-block py-1" href="{base}/labels">Labels for bottles and syringes</a></li>
			<li><a class="link inline-block py-1" href="{base}/compare">Kits side by side</a></li>
			<li>
				<a class="link inline-block py-1" href="{base}/standard">Make a standard</a>
				<HelpMark topic="standard" about="what a standard is for" />
			</li>
		</ul>
	</aside>
	<div class="min-w-0 px-4 py-6 lg:px-8">
		<Late
			><ShelfTable
				label="On the shelf"
				things={inGroups}
				group={titleOf}
				{base}
				{ownerName}
				{units}
				{timeZone}
				{now}
			/></Late
		>
		{#each missing as none (none)}<p class="border-b py-4 text-muted">{none}</p>{/each}
		{#if retired.length > 0}
			<Late
				><Disclosure class="mt-8" look="link label min-h-10"
					>{#snippet title()}Retired: {retired.length}{/snippet}
					<ShelfTable label="Retired" things={retired} {base} {ownerName} {units} {timeZone} {now} />
				</Disclosure></Late
			>
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
