<script lang="ts">
	import Labels from '$lib/ui/shelf/Labels.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Labels · Tevrik</title></svelte:head>
<Labels waterId={data.water.id} shelf={data.shelf} timeZone={data.timeZone} now={data.now} />
