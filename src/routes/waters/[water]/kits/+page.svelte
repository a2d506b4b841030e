<script lang="ts">
	import KitChoice from '$lib/ui/start/KitChoice.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>What you test with · Tevrik</title></svelte:head>
<KitChoice
	id={data.id}
	water={data.water}
	chosen={data.chosen}
	own={data.own}
	begins={data.begins}
	refused={form}
/>
