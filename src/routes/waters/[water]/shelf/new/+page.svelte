<script lang="ts">
	import { civilDate } from '$lib/core/time';
	import AddThing from '$lib/ui/shelf/AddThing.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Put something on the shelf · Tevrik</title></svelte:head>
<AddThing
	waterId={data.water.id}
	methods={data.methods}
	asked={{ kind: form?.entered.kind ?? data.kind, code: form?.entered.method?.split('@')[0] ?? data.code }}
	id={data.id}
	today={civilDate(data.now, data.timeZone)}
	units={data.preferences.units}
	unused={data.preferences.unused}
	refused={form}
/>
