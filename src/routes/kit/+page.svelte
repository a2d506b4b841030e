<script lang="ts">
	import KitView from '$lib/ui/kit/show/KitView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Parts · Tevrik</title></svelte:head>
<KitView now={data.now} />
