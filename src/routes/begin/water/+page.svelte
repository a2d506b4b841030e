<script lang="ts">
	import BeginWater from '$lib/ui/start/BeginWater.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Your first water · Tevrik</title></svelte:head>
<BeginWater id={data.id} now={data.now} units={data.preferences.units} refused={form} />
