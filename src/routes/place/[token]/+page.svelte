<script lang="ts">
	import PlaceBegin from '$lib/ui/account/PlaceBegin.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>This device · Tevrik</title></svelte:head>
<PlaceBegin place={data.place} signedInAs={data.signedInAs} refused={form} />
