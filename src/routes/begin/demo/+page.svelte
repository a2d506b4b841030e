<script lang="ts">
	import DemoOffer from '$lib/ui/start/DemoOffer.svelte';

	let { data } = $props();
</script>

<svelte:head><title>The made-up world · Tevrik</title></svelte:head>
<DemoOffer coming={data.coming} can={data.can} />
