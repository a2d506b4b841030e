<script lang="ts">
	import { untrack } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import { isNarrowed, logQuery, type LogSearch } from '$lib/contract/log-search';
	import {
		isParameterId,
		nameWithin,
		PARAMETER_IDS,
		PARAMETERS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import { middleOf } from '$lib/core/reading';
	import { EVENT_KINDS } from '$lib/core/record';
	import { civilDate, type Instant } from '$lib/core/time';
	import { clockTime, longDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
	import { resultInUnit } from '$lib/format/quantity';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import EmptyState from '$lib/ui/kit/EmptyState.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';
	import CorrectInPlace from './CorrectInPlace.svelte';
	import type { Entry } from './entry';
	import LogEntryWords from './LogEntryWords.svelte';

	interface Props {
		waterId: string;
		severalWaters: boolean;
		entries: readonly Entry[];
		older: Instant | null;
		search: LogSearch;
		/** Whoever may have entered something. */
		readers: readonly { readonly id: string; readonly name: string }[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, severalWaters, entries, older, search, readers, units, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${waterId}`);
	const { everywhere, what } = $derived(search);
	const narrowed = $derived(isNarrowed(search));
	const today = $derived(civilDate(now, timeZone));
	const kinds = [
		{ value: '', name: 'Everything' },
		{ value: 'readings', name: 'All readings' },
		...PARAMETER_IDS.map((id) => ({ value: id, name: `Readings: ${nameWithin(id)}` })),
		{ value: 'events', name: 'Doses, changes, notes' },
		...EVENT_KINDS.map((kind) => ({ value: kind, name: `Only: ${EVENT_NAMES[kind].toLowerCase()}` }))
	];
	/** What the fields began with: what is typed since then stays as it is typed. */
	const begun = untrack(() => search);
	const newId = idMaker(untrack(() => clockOf()));
	/** The reading that is corrected in its place, and the id of that correction. */
	let correcting = $state.raw<{ readonly reading: string; readonly id: string } | null>(null);
	const isAtHand = (entry: Entry) => entry.type === 'reading' && entry.readingId === correcting?.reading;
	const isStruck = (entry: Entry) =>
		entry.type === 'reading' ? entry.replacedBecause !== null : entry.superseded;
	const nameOf = (entry: Entry) =>
		entry.type === 'reading'
			? entry.results.map((r) => PARAMETERS[r.parameter].name).join(', ')
			: EVENT_NAMES[entry.kind];
	/** What a search looks through: all that is shown of it. */
	const wordsOf = (entry: Entry) =>
		[
			nameOf(entry),
			entry.by,
			entry.water,
			entry.note,
			entry.type === 'reading' ? entry.method.name : eventWords(entry.kind, entry.details),
			entry.type === 'reading' ? entry.results.map((r) => resultInUnit(r, units[r.parameter])).join(' ') : '',
			longDay(entry.at, timeZone)
		].join(' ');
	/** Results are put in their order where they are of one parameter. */
	const valueOf = (entry: Entry) => {
		const result = entry.type === 'reading' ? entry.results[0] : undefined;
		return result ? middleOf(result) : null;
	};
	const oneParameter = $derived(what !== null && isParameterId(what));
	const columns = $derived<readonly Column<Entry>[]>([
		{ id: 'at', name: 'Time', by: (entry) => entry.at, class: 'sm:w-16' },
		{ id: 'what', name: 'What', by: nameOf, class: 'sm:w-44' },
		{
			id: 'told',
			name: 'Result, dose or event',
			...(oneParameter ? { by: valueOf } : {}),
			class: 'max-sm:col-start-2'
		},
		{ id: 'does', name: '', class: 'max-sm:col-start-2' }
	]);
	const thisYear = $derived(civilDate(now, timeZone).slice(0, 4));
	const dayOf = (entry: Entry) => {
		const year = civilDate(entry.at, timeZone).slice(0, 4);
		return `${longDay(entry.at, timeZone)}${year === thisYear ? '' : ` ${year}`}`;
	};
</script>

<main>
	<div class="border-b bg-paper">
		<Late class="mx-auto max-w-[80rem] px-4 py-3 lg:px-8">
			<h1 class="visually-hidden">Log</h1>
			<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
				<LiveForm class="flex min-w-0 grow flex-wrap items-end gap-x-4 gap-y-2">
					<Field
						type="search"
						name="words"
						label="Search notes and values"
						quiet
						class="min-w-48 grow basis-56"
						placeholder="8.1, carbon, glass cleaned"
						value={begun.words}
					/>
					<Choice name="what" label="What" quiet class="min-w-44" value={begun.what ?? ''} items={kinds} />
					{#if readers.length > 1}
						<Choice
							name="by"
							label="Who"
							quiet
							class="min-w-32"
							value={begun.by}
							items={[{ value: '', name: 'anybody' }, ...readers.map((r) => ({ value: r.id, name: r.name }))]}
						/>
					{/if}
					<Disclosure
						title={severalWaters ? 'Days, all waters' : 'Days'}
						look="min-h-11 py-2"
						class="open:basis-full"
						open={begun.from !== null || begun.to !== null || begun.everywhere}
					>
						<div class="flex flex-wrap items-end gap-x-4 gap-y-2 pb-1">
							<DateField name="from" label="From" {today} value={begun.from ?? ''} class="max-w-60" />
							<DateField name="to" label="To" {today} value={begun.to ?? ''} class="max-w-60" />
							{#if severalWaters}
								<Checkbox name="waters" value="all" checked={begun.everywhere} class="min-h-11 items-center"
									>All waters</Checkbox
								>
							{/if}
						</div>
					</Disclosure>
				</LiveForm>
				<div class="flex flex-wrap items-center gap-x-5">
					<May what="record"
						><a class="link flex min-h-11 items-center" href="{base}/log/earlier">From before</a></May
					>
					<a
						class="link flex min-h-11 items-center"
						href="{base}/log.csv{logQuery({ ...search, before: null })}"
						download>{narrowed ? 'These' : 'All'} as CSV</a
					>
					<May what="record"><Button kind="primary" href="{base}/log/new">Enter something</Button></May>
				</div>
			</div>
		</Late>
	</div>

	<div class="page max-w-[80rem]! pt-4!">
		{#if search.before !== null || narrowed}
			<p class="small mb-3 flex flex-wrap gap-x-5 text-muted" role="status">
				<span
					>{entries.length === 0
						? 'Nothing of this is in the Log.'
						: older === null
							? `${entries.length} ${entries.length === 1 ? 'entry' : 'entries'}, all that there are.`
							: `The first ${entries.length} of these.`}</span
				>
				<a class="link" href="?" data-sveltekit-reload>The whole Log</a>
			</p>
		{/if}
		<Late
			><DataTable
				label="Log"
				rows={entries}
				{columns}
				key={(entry) => (entry.type === 'reading' ? entry.readingId : entry.id)}
				words={wordsOf}
				searched={false}
				hasUnder={isAtHand}
				group={dayOf}
				stacked="grid-cols-[3.5rem_1fr] gap-x-3 py-2.5"
			>
				{#snippet cell(entry: Entry, column: string)}
					{@const struck = isStruck(entry)}
					{#if column === 'at'}
						<span class="figures text-muted">{clockTime(entry.at, timeZone)}</span>
					{:else if column === 'what'}
						<strong class={struck ? 'text-muted line-through' : ''}>{nameOf(entry)}</strong>
					{:else if column === 'told'}
						<LogEntryWords {entry} {struck} {base} {units} {everywhere} />
					{:else if entry.type === 'reading' && !struck}
						{@const of = `${PARAMETERS[entry.method.parameter].name} of ${clockTime(entry.at, timeZone)}`}
						<span class="small flex gap-x-4">
							<a class="link flex min-h-8 items-start" href="{base}/log/{entry.readingId}#reckoning"
								>Why<span class="visually-hidden"> {of}</span></a
							>
							<a
								class="link flex min-h-8 items-start"
								href="{base}/log/{entry.readingId}"
								aria-expanded={isAtHand(entry)}
								onclick={(e) => {
									if (e.ctrlKey || e.metaKey || e.shiftKey) return;
									e.preventDefault();
									correcting = isAtHand(entry) ? null : { reading: entry.readingId, id: newId() };
								}}>Correct<span class="visually-hidden"> {of}</span></a
							>
						</span>
					{/if}
				{/snippet}
				{#snippet under(entry: Entry)}
					{#if entry.type === 'reading' && correcting}
						<CorrectInPlace {entry} {base} id={correcting.id} onclose={() => (correcting = null)} />
					{/if}
				{/snippet}
				{#snippet empty()}
					{#if narrowed}
						<EmptyState title="Nothing like this">
							No entry holds all of it. Fewer words, another kind or a longer time may find it.
						</EmptyState>
					{:else}
						<EmptyState title="Nothing here yet">
							What is tested on the bench and entered here stands in this list, for as long as the site
							exists. Begin with a test, or with what was read before.
						</EmptyState>
					{/if}
				{/snippet}
			</DataTable></Late
		>
		{#if older !== null}<p class="mt-6">
				<Button href={logQuery({ ...search, before: older })}>Older entries</Button>
			</p>{/if}
	</div>
</main>
