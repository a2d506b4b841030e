<script lang="ts">
	import SheetPage from '$lib/ui/visitor/SheetPage.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.sheet.water} · Tevrik</title></svelte:head>
<SheetPage sheet={data.sheet} />
