<script lang="ts">
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { happeningOf } from '$lib/core/record';
	import { eventWords } from '$lib/format/log/event';
	import { resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/log/reading';
	import type { Entry } from './entry';

	interface Props {
		entry: Entry;
		/** It was corrected, and counts no more. */
		struck: boolean;
		base: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		everywhere: boolean;
	}
	/** What readings are held against each other around. */
	const AROUND: ReadonlySet<string> = new Set(['water-change', 'dose', 'medium-in', 'medium-out', 'death']);
	let { entry, struck, base, units, everywhere }: Props = $props();
</script>

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
	{#if entry.deviations.length > 0}<span class="small block">A step was not done as written.</span>{/if}
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
	{#if entry.voiceNotes > 0}
		<a class="link small block" href="{base}/log/{entry.readingId}#voice-notes"
			>{entry.voiceNotes === 1 ? 'A voice note' : `${entry.voiceNotes} voice notes`}</a
		>
	{/if}
{:else}
	<span class="figures">{eventWords(entry.kind, entry.details)}</span>
	{@const panel = happeningOf(entry.kind)}
	{#if AROUND.has(entry.kind) && !struck}
		<a class="link small mr-3" href="/waters/{entry.waterId}/around/{entry.id}">Before and after</a>
	{/if}
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
