<script lang="ts">
	import { fromJson } from '$lib/contract/json';
	import TodayView from '$lib/ui/today/TodayView.svelte';

	let { data } = $props();
	const today = $derived(fromJson(data.today));
</script>

<svelte:head><title>Today · {data.water.name} · Tevrik</title></svelte:head>
<TodayView
	water={data.water}
	{today}
	lately={data.lately}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
