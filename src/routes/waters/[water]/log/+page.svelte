<script lang="ts">
	import { fromJson } from '$lib/contract/json';
	import { unpacked } from '$lib/contract/log';
	import LogView from '$lib/ui/log/LogView.svelte';

	let { data } = $props();
	const entries = $derived(unpacked(fromJson(data.entries)));
</script>

<svelte:head><title>Log · {data.water.name} · Tevrik</title></svelte:head>
<LogView
	waterId={data.water.id}
	severalWaters={data.siblings.length > 1}
	{entries}
	older={data.older}
	search={data.search}
	readers={data.readers}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
