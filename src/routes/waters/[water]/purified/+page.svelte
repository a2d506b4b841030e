<script lang="ts">
	import PurifiedView from '$lib/ui/purified/PurifiedView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Purified water · Tevrik</title></svelte:head>
<PurifiedView
	state={data.state}
	entries={data.entries}
	id={data.id}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
