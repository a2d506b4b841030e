<script lang="ts">
	import { enhance } from '$app/forms';
	import type { ThingAnswer, UnusedSchool, WeighedDecision } from '$lib/contract/shelf-view';
	import { methodByCode } from '$lib/core/method';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { fixed, plain } from '$lib/format/number';
	import {
		amountWords,
		contentsWords,
		costWords,
		DROPPER_NAMES,
		dueWords,
		noteWords,
		recipeWords,
		SHELF_KIND_NAMES,
		supplySentence
	} from '$lib/format/shelf/shelf';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import BottleLevels from './BottleLevels.svelte';
	import CheckPanel from './CheckPanel.svelte';
	import MovesTable from '$lib/ui/shared/MovesTable.svelte';
	import NoteForms from './NoteForms.svelte';

	interface Props {
		waterId: string;
		found: ThingAnswer;
		weighed: WeighedDecision | null;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		unused: UnusedSchool;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string } | null;
	}
	let { waterId, found, weighed, id, units, unused, timeZone, now, refused }: Props = $props();

	const { thing } = $derived(found);
	const base = $derived(`/waters/${waterId}/shelf`);
	const day = (at: Instant | null) => (at === null ? '' : shortDay(at, timeZone, now));
	const facts = $derived(
		[
			['Lot', thing.lotCode],
			['Bought', day(thing.boughtAt)],
			['Opened', day(thing.openedAt)],
			['Good until', day(thing.supply.goodUntil ?? thing.expiresAt)],
			['Price', thing.price === null ? '' : fixed(thing.price, 2)],
			[
				'Costs',
				[
					costWords(thing.cost.full),
					thing.cost.half === null || thing.cost.half === thing.cost.full
						? ''
						: `${costWords(thing.cost.half)} with half a sample`
				]
					.filter(Boolean)
					.join('; ')
			],
			['Tests made with it', thing.kind === 'kit' || thing.kind === 'instrument' ? String(thing.tested) : ''],
			['Holds', contentsWords(thing, units)],
			['Made of', recipeWords(thing.details, () => found.stockName ?? 'another solution')],
			[
				'Belongs to',
				thing.details.belongsTo
					? `${thing.details.belongsTo.reagent} of ${methodByCode(thing.details.belongsTo.methodCode)?.name ?? thing.details.belongsTo.methodCode}`
					: ''
			]
		].filter(([, value]) => value)
	);
	const checkable = $derived(thing.method !== null && (thing.kind === 'kit' || thing.kind === 'instrument'));
</script>

<main class="page max-w-[64rem]!">
	<p class="label"><a class="link" href={base}>Shelf</a></p>
	<h1 class="mt-2 text-3xl">{thing.name}</h1>
	<p class="mt-1 text-muted">
		{SHELF_KIND_NAMES[thing.kind]}{#if thing.method}; read by
			<a class="link" href="/waters/{waterId}/methods/{thing.method.code}">{thing.method.name}</a>, version {thing
				.method.version}{/if}.
		{thing.retiredAt === null ? '' : `Retired ${day(thing.retiredAt)}.`}
	</p>
	{#if refused}<div class="mt-4"><Fault text={refused.text} /></div>{/if}

	{#if thing.kind === 'kit' && thing.openedAt === null && thing.retiredAt === null}
		<form method="post" action="?/note" use:enhance class="mt-6 border-2 border-ink p-5">
			<Hidden name="id" value={id} />
			<Hidden name="kind" value="opened" />
			<h2 class="text-xl">Open it</h2>
			<p class="mt-1 text-muted">
				Is the leaflet in the pack the same as before? Recipes change with a new issue of the same kit: liquid
				for powder, another count of drops, another time.
			</p>
			<div class="mt-4 flex flex-wrap gap-3">
				<Button kind="primary" type="submit" name="sameLeaflet" value="yes"
					>Opened; the leaflet is the same</Button
				>
				<Button type="submit" name="sameLeaflet" value="no">Opened; there is none to compare</Button>
				<Button href="/waters/{waterId}/methods/new?from={thing.method?.code ?? ''}"
					>It is another: enter what changed</Button
				>
			</div>
		</form>
	{/if}
	{#if found.pending.length > 0 && !weighed}
		<section class="mt-6 border-2 border-ink p-5" aria-labelledby="pending">
			<h2 id="pending" class="text-xl">What is now known of it moves past results</h2>
			<MovesTable moves={found.pending} {units} {timeZone} {now} />
			<form method="post" action="?/derive" use:enhance class="mt-4">
				<Hidden name="id" value={id} />
				<Button type="submit">Derive them again</Button>
				<span class="small ml-3 text-muted">Nothing that was read changes.</span>
			</form>
		</section>
	{/if}

	<div class="mt-8 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_24rem]">
		<div>
			{#if thing.bottles.length > 0}
				<h2 class="label border-b pb-1">What is left</h2>
				<div class="mt-3 flex flex-wrap items-end gap-6">
					<BottleLevels bottles={thing.bottles} endsFirst={thing.supply.testsLeft?.endsFirst ?? null} />
					<p class="figures max-w-[22rem]">{supplySentence(thing, timeZone, now)}</p>
				</div>
				<Table class="small mt-3">
					<thead
						><tr class="text-left text-muted"
							><th class="py-1 font-normal">Bottle</th><th class="py-1 font-normal">left</th><th
								class="py-1 font-normal">a test takes</th
							><th class="py-1 font-normal">known of it</th></tr
						></thead
					>
					<tbody>
						{#each thing.bottles as b (b.reagent)}
							<tr class="border-t align-top">
								<td class="py-1.5 font-semibold">{b.reagent}</td>
								<td class="py-1.5">{amountWords(b.left, b.unit)} of {amountWords(b.full, b.unit)}</td>
								<td class="py-1.5">{b.perTest > 0 ? amountWords(b.perTest, b.unit) : '–'}</td>
								<td class="py-1.5">
									{[
										b.countedAt === null ? 'reckoned' : `looked at ${day(b.countedAt)}`,
										b.dropper ? DROPPER_NAMES[b.dropper.state] : '',
										b.dropper?.calibrated
											? `${plain(Number((1000 * b.dropper.calibrated.dropMl).toPrecision(3)))} µL a drop`
											: ''
									]
										.filter(Boolean)
										.join('; ')}
									{#if b.short > 0}<strong class="block text-warn"
											>{amountWords(b.short, b.unit)} more was used than there was. Look at what is left.</strong
										>{/if}
								</td>
							</tr>
						{/each}
					</tbody>
				</Table>
			{:else if thing.supply.ends || thing.supply.testsLeft}
				<p class="figures">{supplySentence(thing, timeZone, now)}</p>
			{/if}
			{#if thing.due}<p class="mt-4 font-semibold">Check it: {dueWords(thing.due)}.</p>{/if}
			{#if checkable}<CheckPanel {waterId} {found} {weighed} {id} {units} {timeZone} {now} />{/if}
		</div>
		<div class="space-y-8">
			<dl class="figures small">
				{#each facts as [name, value] (name)}
					<div class="grid grid-cols-[9rem_1fr] gap-3 border-t py-2">
						<dt class="text-muted">{name}</dt>
						<dd>{value}</dd>
					</div>
				{/each}
			</dl>
			<section>
				<h2 class="label pb-1">Note something of it</h2>
				<NoteForms {thing} {id} {unused} />
				{#if thing.retiredAt !== null}
					<form method="post" action="?/note" use:enhance class="border-t py-4">
						<Hidden name="id" value={id} /><Hidden name="kind" value="back-in-use" />
						<Button type="submit">Take it back into use</Button>
					</form>
				{/if}
			</section>
			<section>
				<h2 class="label pb-2">Photographs</h2>
				<Photographs {waterId} of={{ item: thing.id }} photographs={found.photographs} what={thing.name} />
			</section>
			<section>
				<h2 class="label border-b pb-1">What was noted</h2>
				<ul class="small">
					{#each found.notes as note (note.id)}
						<li class="border-b py-2">
							<span class="figures text-muted">{day(note.what.at)}, {note.by}</span>
							<span class="block">{noteWords(note.what)}{note.note ? `: ${note.note}` : ''}</span>
						</li>
					{:else}<li class="py-2 text-muted">Nothing yet.</li>{/each}
				</ul>
			</section>
		</div>
	</div>
</main>
