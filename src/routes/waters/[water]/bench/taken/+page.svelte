<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { fromJson } from '$lib/contract/json';
	import TakenView from '$lib/ui/bench/taken/TakenView.svelte';

	let { data } = $props();
	const bench = $derived(fromJson(data.bench));
</script>

<svelte:head><title>Readings already taken · {data.water.name} · Tevrik</title></svelte:head>
{#key data.water.id}
	<TakenView
		waterId={data.water.id}
		{bench}
		units={data.preferences.units}
		habits={data.preferences}
		timeZone={data.timeZone}
		now={data.now}
		onsaved={invalidateAll}
	/>
{/key}
