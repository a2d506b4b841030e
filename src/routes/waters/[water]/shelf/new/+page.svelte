<script lang="ts">
	import AddThing from '$lib/ui/shelf/AddThing.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Put something on the shelf · Tevrik</title></svelte:head>
<AddThing
	waterId={data.water.id}
	methods={data.methods}
	asked={{ kind: form?.entered.kind ?? data.kind, code: form?.entered.method?.split('@')[0] ?? data.code }}
	id={data.id}
	units={data.preferences.units}
	unused={data.preferences.unused}
	refused={form}
/>
