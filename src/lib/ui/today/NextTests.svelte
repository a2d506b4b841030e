<script lang="ts">
	import type { DueTest } from '$lib/core/judgement';
	import { nameWithin } from '$lib/core/quantity';
	import { civilDate, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import HelpMark from '$lib/ui/kit/HelpMark.svelte';

	interface Props {
		/** Those after today, the next first. */
		tests: readonly DueTest[];
		/** Address of the water. */
		base: string;
		timeZone: string;
		now: Instant;
	}
	let { tests, base, timeZone, now }: Props = $props();

	const MOST_DAYS = 3;
	const days = $derived(
		[...new Set(tests.map((t) => civilDate(t.dueAt, timeZone)))].slice(0, MOST_DAYS).map((day) => {
			const own = tests.filter((t) => civilDate(t.dueAt, timeZone) === day);
			return { day, at: own[0]!.dueAt, names: own.map((t) => nameWithin(t.parameter)).join(', ') };
		})
	);
</script>

<h2 class="label mt-8 inline-block">Next tests</h2>
<HelpMark topic="when-next" about="when a test is due" />
<ul class="small mt-2">
	{#each days as { day, at, names } (day)}
		<li class="flex justify-between gap-x-4 border-t py-1.5">
			<span class="first-letter:uppercase">{names}</span>
			<span class="figures whitespace-nowrap text-muted">{shortDay(at, timeZone, now)}</span>
		</li>
	{:else}
		<li class="border-t py-1.5 text-muted">None after today.</li>
	{/each}
</ul>
<p class="small mt-1"><a class="link" href="{base}/testing">When tests are due, and the calendar</a></p>
