<script lang="ts">
	import { SvelteURLSearchParams } from 'svelte/reactivity';
	import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { middleOf } from '$lib/core/reading';
	import { civilDate, type Instant } from '$lib/core/time';
	import { clockTime, longDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
	import { resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import EmptyState from '$lib/ui/kit/EmptyState.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import May from '$lib/ui/access/May.svelte';
	import type { Entry } from './entry';
	import LogEntryWords from './LogEntryWords.svelte';

	interface Props {
		waterId: string;
		severalWaters: boolean;
		entries: readonly Entry[];
		older: Instant | null;
		what: ParameterId | 'events' | null;
		everywhere: boolean;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, severalWaters, entries, older, what, everywhere, units, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${waterId}`);
	const query = (change: { what?: string | null; all?: boolean; before?: number }) => {
		const search = new SvelteURLSearchParams();
		const chosen = change.what === undefined ? what : change.what;
		if (chosen) search.set('what', chosen);
		if (change.all ?? everywhere) search.set('waters', 'all');
		if (change.before) search.set('before', String(change.before));
		return search.size > 0 ? `?${search}` : '?';
	};
	const kinds = $derived([
		{ id: null, name: 'Everything' },
		{ id: 'events', name: 'Doses, changes, notes' }
	]);
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
	const oneParameter = $derived(what !== null && what !== 'events');
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
	const chip = (on: boolean) =>
		`flex min-h-11 items-center px-3 ${on ? 'font-semibold underline decoration-2 underline-offset-8' : 'text-muted hover:text-ink'}`;
</script>

<main>
	<div class="border-b bg-paper">
		<div class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-4 px-4 py-1 lg:px-8">
			<h1 class="visually-hidden">Log</h1>
			<nav aria-label="Kind of entry" class="-mx-3 flex flex-wrap">
				{#each kinds as kind (kind.id)}
					<a
						href={query({ what: kind.id })}
						aria-current={kind.id === what ? 'true' : undefined}
						class={chip(kind.id === what)}>{kind.name}</a
					>
				{/each}
				<form method="get" class="flex items-center pl-3">
					{#if everywhere}<Hidden name="waters" value="all" />{/if}
					<Choice
						name="what"
						label="Readings of one parameter"
						bare
						value={what && what !== 'events' ? what : ''}
						items={[
							{ value: '', name: 'Readings of …' },
							...PARAMETER_IDS.map((id) => ({ value: id, name: PARAMETERS[id].name }))
						]}
						onpick={(_, form) => form?.requestSubmit()}
					/>
					<noscript><Button kind="text" type="submit" class="min-h-11 px-3">Show</Button></noscript>
				</form>
			</nav>
			{#if severalWaters}
				<nav aria-label="Waters" class="flex border-l pl-2">
					<a
						href={query({ all: false })}
						aria-current={!everywhere ? 'true' : undefined}
						class={chip(!everywhere)}>This water</a
					>
					<a
						href={query({ all: true })}
						aria-current={everywhere ? 'true' : undefined}
						class={chip(everywhere)}>All waters</a
					>
				</nav>
			{/if}
			<div class="ml-auto flex flex-wrap items-center gap-x-4 py-1">
				<May what="record"
					><a class="link flex min-h-11 items-center" href="{base}/log/earlier">From before</a></May
				>
				<a class="link flex min-h-11 items-center" href="{base}/log.csv{query({})}" download>Save as CSV</a>
				<May what="record"><Button kind="primary" href="{base}/log/new">Enter something</Button></May>
			</div>
		</div>
	</div>

	<div class="page max-w-[64rem]!">
		<DataTable
			label="Log"
			rows={entries}
			{columns}
			key={(entry) => (entry.type === 'reading' ? entry.readingId : entry.id)}
			words={wordsOf}
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
						<a class="link flex min-h-8 items-start" href="{base}/log/{entry.readingId}"
							>Correct<span class="visually-hidden"> {of}</span></a
						>
					</span>
				{/if}
			{/snippet}
			{#snippet empty()}
				<EmptyState title="Nothing here yet">
					What is tested on the bench and entered here stands in this list, for as long as the site exists.
				</EmptyState>
			{/snippet}
		</DataTable>
		{#if older !== null}<p class="mt-6">
				<Button href={query({ before: older })}>Older entries</Button>
			</p>{/if}
	</div>
</main>
