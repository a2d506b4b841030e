<script lang="ts">
	import KnownView from '$lib/ui/practice/KnownView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Known concentrations · {data.water.name} · Tevrik</title></svelte:head>
<KnownView
	waterId={data.water.id}
	series={data.series}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
