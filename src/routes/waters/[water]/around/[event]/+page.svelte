<script lang="ts">
	import AroundView from '$lib/ui/around/AroundView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Before and after · {data.water.name} · Tevrik</title></svelte:head>
<AroundView
	waterId={data.water.id}
	around={data.around}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
