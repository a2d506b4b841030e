<script lang="ts">
	import SetsView from '$lib/ui/sets/SetsView.svelte';

	let { data, form } = $props();
	const site = $derived(data.siblings.find((s) => s.id === data.water.id)?.site);
</script>

<svelte:head><title>Sets of tests · {data.water.name} · Tevrik</title></svelte:head>
{#key data.edited}
	<SetsView
		water={data.water}
		waters={data.siblings.filter((s) => s.site === site)}
		sets={data.sets}
		methods={data.methods}
		edited={data.edited}
		id={data.id}
		setId={data.setId}
		timeZone={data.timeZone}
		now={data.now}
		refused={form}
	/>
{/key}
