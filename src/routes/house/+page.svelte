<script lang="ts">
	import HouseView from '$lib/ui/start/HouseView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>The phone at the tank · Tevrik</title></svelte:head>
<HouseView house={data.house} />
