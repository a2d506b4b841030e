<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import BenchView from '$lib/ui/bench/BenchView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Bench · {data.water.name} · Tevrik</title></svelte:head>
<BenchView
	waterId={data.water.id}
	bench={data.bench}
	units={data.preferences.units}
	habits={data.preferences}
	timeZone={data.timeZone}
	now={data.now}
	onsaved={invalidateAll}
	asked={data.asked}
/>
