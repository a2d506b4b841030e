<script lang="ts">
	import OwnOffer from '$lib/ui/start/OwnOffer.svelte';
</script>

<svelte:head><title>Begin with your own · Tevrik</title></svelte:head>
<OwnOffer />
