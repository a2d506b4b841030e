<script lang="ts">
	import TrendsView from '$lib/ui/trends/TrendsView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Trends · {data.water.name} · Tevrik</title></svelte:head>
{#key data.water.id}
	<TrendsView
		water={data.water}
		siblings={data.siblings}
		span={data.span}
		series={data.series}
		events={data.events}
		units={data.preferences.units}
		timeZone={data.timeZone}
	/>
{/key}
