<script lang="ts">
	import DailyView from '$lib/ui/adjust/DailyView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>The daily dose · {data.water.name} · Tevrik</title></svelte:head>
<DailyView waterId={data.water.id} {...data.daily} wish={data.wish} units={data.preferences.units} />
