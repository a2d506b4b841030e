<script lang="ts">
	import { SvelteURLSearchParams } from 'svelte/reactivity';
	import { panelFor, type EventDetails, type EventKind } from '$lib/contract/event';
	import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Method } from '$lib/core/method';
	import type { RawReading, TestResult } from '$lib/core/reading';
	import { civilDate, type Instant } from '$lib/core/time';
	import { clockTime, longDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/event';
	import { resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/reading';
	import Action from '$lib/ui/shared/Action.svelte';

	interface Common {
		readonly at: Instant;
		readonly waterId: string | null;
		readonly water: string;
		readonly by: string;
		readonly note: string;
	}
	type Entry =
		| (Common & {
				readonly type: 'reading';
				readonly readingId: string;
				readonly method: Method;
				readonly reading: RawReading;
				readonly results: readonly TestResult[];
				readonly replacedBecause: string | null;
				readonly replaces: string | null;
				readonly deviations: readonly unknown[];
				readonly photographs: readonly string[];
		  })
		| (Common & {
				readonly type: 'event';
				readonly id: string;
				readonly kind: EventKind;
				readonly details: EventDetails;
				readonly superseded: boolean;
		  });
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
	/** Entries by the day of the site's calendar. */
	const days = $derived.by(() => {
		const groups: { date: string; at: Instant; entries: Entry[] }[] = [];
		for (const entry of entries) {
			const date = civilDate(entry.at, timeZone);
			if (groups.at(-1)?.date !== date) groups.push({ date, at: entry.at, entries: [] });
			groups.at(-1)!.entries.push(entry);
		}
		return groups;
	});
	const thisYear = $derived(civilDate(now, timeZone).slice(0, 4));
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
					{#if everywhere}<input type="hidden" name="waters" value="all" />{/if}
					<select
						name="what"
						aria-label="Readings of one parameter"
						onchange={(e) => e.currentTarget.form?.requestSubmit()}
						class="min-h-11 rounded-md border border-line-strong bg-surface py-1 pr-9 pl-3 {what &&
						what !== 'events'
							? 'font-semibold'
							: 'text-muted'}"
					>
						<option value="">Readings of …</option>
						{#each PARAMETER_IDS as id (id)}<option value={id} selected={id === what}
								>{PARAMETERS[id].name}</option
							>{/each}
					</select>
					<noscript><button class="link min-h-11 px-3">Show</button></noscript>
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
				<a class="link flex min-h-11 items-center" href="{base}/log.csv{query({})}" download>Save as CSV</a>
				<Action kind="primary" href="{base}/log/new">Enter something</Action>
			</div>
		</div>
	</div>

	<div class="page max-w-[64rem]!">
		{#each days as day (day.date)}
			<section class="mb-6">
				<h2 class="label border-b pb-1">
					{longDay(day.at, timeZone)}{day.date.startsWith(thisYear) ? '' : ` ${day.date.slice(0, 4)}`}
				</h2>
				<ul>
					{#each day.entries as entry (entry.type === 'reading' ? entry.readingId : entry.id)}
						{@const struck = entry.type === 'reading' ? entry.replacedBecause !== null : entry.superseded}
						<li
							class="grid grid-cols-[3.5rem_1fr] gap-x-3 border-b py-2.5 sm:grid-cols-[3.5rem_10rem_1fr_auto]"
						>
							<span class="figures text-muted">{clockTime(entry.at, timeZone)}</span>
							<strong class={struck ? 'text-muted line-through' : ''}
								>{entry.type === 'reading'
									? entry.results.map((r) => PARAMETERS[r.parameter].name).join(', ')
									: EVENT_NAMES[entry.kind]}</strong
							>
							<div class="col-start-2 sm:col-start-3">
								{#if entry.type === 'reading'}
									<span class="figures {struck ? 'text-muted line-through' : 'font-semibold'}"
										>{entry.results.map((r) => resultInUnit(r, units[r.parameter])).join('; ')}</span
									>
									<span class="figures small text-muted">{readingWords(entry.method, entry.reading)}</span>
									{#if entry.replacedBecause !== null}
										<span class="small block">Corrected: {entry.replacedBecause}</span>
									{:else if entry.replaces !== null}
										<span class="small block text-muted">Put in the place of the reading struck out.</span>
									{/if}
									{#if entry.deviations.length > 0}<span class="small block"
											>A step was not done as written.</span
										>{/if}
									{#if entry.photographs.length > 0}
										<span class="mt-1 flex flex-wrap gap-2">
											{#each entry.photographs as photograph, i (photograph)}
												<a href="{base}/photographs/{photograph}" target="_blank" rel="noopener"
													><img
														src="{base}/photographs/{photograph}"
														alt="Photograph {i + 1} of this test"
														class="h-20 w-auto border border-line-strong"
														loading="lazy"
													/></a
												>
											{/each}
										</span>
									{/if}
								{:else}
									<span class="figures">{eventWords(entry.kind, entry.details)}</span>
									{@const panel = panelFor(entry.kind)}
									{#if panel && !struck}
										<a class="link small" href="/waters/{entry.waterId}/panel/{panel}?event={entry.id}"
											>What to test, and what it told</a
										>
									{/if}
								{/if}
								{#if entry.note}<span class="small block">{entry.note}</span>{/if}
								<span class="small block text-muted"
									>{entry.by}{everywhere ? `, ${entry.water}` : ''}{entry.type === 'reading'
										? `, ${entry.method.name}`
										: ''}</span
								>
							</div>
							{#if entry.type === 'reading' && !struck}
								{@const of = `${PARAMETERS[entry.method.parameter].name} of ${clockTime(entry.at, timeZone)}`}
								<span class="small col-start-2 flex gap-x-4 sm:col-start-4">
									<a class="link flex min-h-8 items-start" href="{base}/log/{entry.readingId}#reckoning"
										>Why<span class="visually-hidden"> {of}</span></a
									>
									<a class="link flex min-h-8 items-start" href="{base}/log/{entry.readingId}"
										>Correct<span class="visually-hidden"> {of}</span></a
									>
								</span>
							{/if}
						</li>
					{/each}
				</ul>
			</section>
		{:else}
			<h2 class="text-2xl">Nothing here yet</h2>
			<p class="mt-1 text-muted">
				What is tested on the bench and entered here stands in this list, for as long as the site exists.
			</p>
		{/each}
		{#if older !== null}<p><Action href={query({ before: older })}>Older entries</Action></p>{/if}
	</div>
</main>
