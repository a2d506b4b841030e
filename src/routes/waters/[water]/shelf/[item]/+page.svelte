<script lang="ts">
	import ThingView from '$lib/ui/shelf/ThingView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>{data.found.thing.name} · Shelf · Tevrik</title></svelte:head>
<ThingView
	waterId={data.water.id}
	found={data.found}
	weighed={data.weighed}
	id={data.id}
	units={data.preferences.units}
	unused={data.preferences.unused}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
