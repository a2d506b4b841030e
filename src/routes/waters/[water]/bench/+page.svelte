<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import BenchView from '$lib/ui/bench/BenchView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Bench · {data.water.name} · Tevrik</title></svelte:head>
<BenchView
	waterId={data.water.id}
	offers={data.offers}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	onsaved={invalidateAll}
/>
