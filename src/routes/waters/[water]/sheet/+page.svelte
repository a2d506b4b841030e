<script lang="ts">
	import GiveSheetView from '$lib/ui/visitor/GiveSheetView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A sheet for a visitor · Tevrik</title></svelte:head>
<GiveSheetView
	sheet={data.sheet}
	given={data.given}
	id={data.id}
	waterId={data.water.id}
	timeZone={data.timeZone}
	now={data.now}
	answer={form}
/>
