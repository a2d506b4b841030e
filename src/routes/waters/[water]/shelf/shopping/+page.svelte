<script lang="ts">
	import ShoppingList from '$lib/ui/shelf/ShoppingList.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Shopping list · Tevrik</title></svelte:head>
<ShoppingList waterId={data.water.id} shelf={data.shelf} timeZone={data.timeZone} now={data.now} />
