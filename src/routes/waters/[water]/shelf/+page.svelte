<script lang="ts">
	import ShelfView from '$lib/ui/shelf/ShelfView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Shelf · Tevrik</title></svelte:head>
<ShelfView
	waterId={data.water.id}
	shelf={data.shelf}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
