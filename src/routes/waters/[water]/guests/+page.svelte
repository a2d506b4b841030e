<script lang="ts">
	import GuestsView from '$lib/ui/visitor/GuestsView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A stranger’s bottle · Tevrik</title></svelte:head>
<GuestsView
	guests={data.guests}
	id={data.id}
	guestId={data.guestId}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
