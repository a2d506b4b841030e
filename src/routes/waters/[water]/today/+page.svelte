<script lang="ts">
	import TodayView from '$lib/ui/today/TodayView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Today · {data.water.name} · Tevrik</title></svelte:head>
<TodayView
	water={data.water}
	today={data.today}
	lines={data.lines}
	lately={data.lately}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
