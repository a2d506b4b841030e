<script lang="ts">
	import { isSetDay, setsOf, type TestSet } from '$lib/core/bench';
	import type { Instant } from '$lib/core/time';
	import { setTime } from '$lib/format/bench/test-set';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		base: string;
		waterId: string;
		sets: readonly TestSet[];
		timeZone: string;
		now: Instant;
	}
	let { base, waterId, sets, timeZone, now }: Props = $props();

	const usual = $derived(setsOf(sets, waterId, now, timeZone)[0] ?? null);
	const isToday = $derived(usual !== null && isSetDay(usual, now, timeZone));
	const time = $derived(usual ? setTime(usual, now, timeZone) : '');
</script>

<p class="mt-3 flex flex-wrap items-center gap-x-3">
	<Button kind={isToday ? 'primary' : 'secondary'} href="{base}/bench?set={usual?.id ?? 'usual'}"
		>{usual?.name ?? 'The usual'}</Button
	>
	{#if time}<span class="small text-muted">{isToday ? `today, ${time}` : time}</span>{/if}
</p>
