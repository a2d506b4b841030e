<script lang="ts">
	import StandardMaker from '$lib/ui/shelf/StandardMaker.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Make a standard · Tevrik</title></svelte:head>
<StandardMaker
	waterId={data.water.id}
	stocks={data.stocks}
	id={data.id}
	units={data.preferences.units}
	refused={form}
/>
