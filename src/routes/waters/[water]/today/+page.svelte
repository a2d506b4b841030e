<script lang="ts">
	import { untrack } from 'svelte';
	import { fromJson } from '$lib/contract/json';
	import TodayView from '$lib/ui/today/TodayView.svelte';

	let { data } = $props();
	/** Whoever opens the demo first is shown round, once; what shows it is fetched for nobody else. */
	const toured = untrack(() => (data.isDemo || data.madeUp) && data.preferences.tour !== 'seen');
	function noteSeen(): void {
		const seen = new FormData();
		seen.set('tour', 'seen');
		void fetch('/preferences', { method: 'POST', body: seen, redirect: 'manual' }).catch(() => undefined);
	}
	const today = $derived(fromJson(data.today));
</script>

<svelte:head><title>Today · {data.water.name} · Tevrik</title></svelte:head>
<TodayView
	water={data.water}
	{today}
	lately={data.lately}
	usual={data.usual}
	withoutKit={data.withoutKit}
	bottles={data.bottles}
	stepIds={data.stepIds}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
{#if toured}
	{#await import('$lib/ui/today/Tour.svelte') then { default: Tour }}
		<Tour onseen={noteSeen} />
	{/await}
{/if}
