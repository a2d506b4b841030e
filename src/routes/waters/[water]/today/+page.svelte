<script lang="ts">
	import TodayView from '$lib/ui/today/TodayView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Today · {data.water.name} · Tevrik</title></svelte:head>
<TodayView
	water={data.water}
	rows={data.rows}
	untested={data.untested}
	doubts={data.doubts}
	moves={data.moves}
	departure={data.departure}
	lately={data.lately}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
