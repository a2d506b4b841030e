<script lang="ts">
	import TrendsView from '$lib/ui/trends/TrendsView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Trends · {data.water.name} · Tevrik</title></svelte:head>
<TrendsView
	waterId={data.water.id}
	span={data.span}
	spans={data.spans}
	from={data.from}
	to={data.to}
	now={data.now}
	rows={data.rows}
	events={data.events}
	units={data.preferences.units}
	timeZone={data.timeZone}
/>
