<script lang="ts">
	import CompareView from '$lib/ui/compare/CompareView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Compare · {data.water.name} · Tevrik</title></svelte:head>
<CompareView
	water={data.water}
	comparison={data.comparison}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
