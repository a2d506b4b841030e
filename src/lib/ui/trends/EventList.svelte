<script lang="ts">
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { TrendEvent } from './trend-event';

	interface Props {
		/** Newest first. */
		events: readonly TrendEvent[];
		timeZone: string;
		now: Instant;
	}
	let { events, timeZone, now }: Props = $props();

	const SHOWN = 8;
	const MOST = 200;
</script>

{#snippet happened(event: TrendEvent)}
	<li class="grid grid-cols-[6.5rem_1fr] gap-x-3 border-t py-2">
		<span class="figures text-muted">{shortDay(event.happenedAt, timeZone, now)}</span>
		<span
			><strong>{EVENT_NAMES[event.kind]}</strong>
			{[eventWords(event.kind, event.details), event.note].filter(Boolean).join('. ')}</span
		>
	</li>
{/snippet}

<h2 class="label">What happened in this time</h2>
<ul class="small mt-2">
	{#each events.slice(0, SHOWN) as event (event.id)}
		{@render happened(event)}
	{:else}
		<li class="border-t py-2 text-muted">Nothing was entered.</li>
	{/each}
</ul>
{#if events.length > SHOWN}
	<Disclosure class="small border-t" look="min-h-8 py-2"
		>{#snippet title()}{events.length - SHOWN} before these{/snippet}
		<ul>
			{#each events.slice(SHOWN, MOST) as event (event.id)}{@render happened(event)}{/each}
		</ul>
		{#if events.length > MOST}
			<p class="border-t py-2 text-muted">{events.length - MOST} more stand in the Log.</p>
		{/if}
	</Disclosure>
{/if}
