<script lang="ts">
	import type { UsualSetSeen } from '$lib/contract/test-set';
	import { timeOfMinute, weekdayOf, type Instant } from '$lib/core/time';
	import { setDays } from '$lib/format/bench/set-days';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		base: string;
		usual: UsualSetSeen | null;
		timeZone: string;
		now: Instant;
	}
	let { base, usual, timeZone, now }: Props = $props();

	const isToday = $derived(
		usual !== null && !usual.isMade && usual.weekdays.includes(weekdayOf(now, timeZone))
	);
	const time = $derived.by(() => {
		if (!usual || usual.weekdays.length === 0) return '';
		if (!isToday) return setDays(usual);
		return usual.atMinute === null ? 'today' : `today at ${timeOfMinute(usual.atMinute)}`;
	});
</script>

<p class="mt-3 flex flex-wrap items-center gap-x-3">
	<Button kind="secondary" href="{base}/bench?set={usual?.id ?? 'usual'}">{usual?.name ?? 'The usual'}</Button
	>
	{#if time}<span class="small {isToday ? 'font-semibold' : 'text-muted'}">{time}</span>{/if}
</p>
