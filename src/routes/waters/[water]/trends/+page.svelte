<script lang="ts">
	import { fromJson } from '$lib/contract/json';
	import TrendsView from '$lib/ui/trends/TrendsView.svelte';

	let { data } = $props();
	const series = $derived(fromJson(data.series));
	const events = $derived(fromJson(data.events));
</script>

<svelte:head><title>Trends · {data.water.name} · Tevrik</title></svelte:head>
{#key data.water.id}
	<TrendsView
		water={data.water}
		siblings={data.siblings}
		{series}
		{events}
		usualRows={data.preferences.trendRows}
		units={data.preferences.units}
		timeZone={data.timeZone}
	/>
{/key}
