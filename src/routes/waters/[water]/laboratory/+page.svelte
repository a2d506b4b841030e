<script lang="ts">
	import LaboratoryView from '$lib/ui/laboratory/LaboratoryView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Laboratory · {data.water.name} · Tevrik</title></svelte:head>
<LaboratoryView
	water={data.water}
	id={data.id}
	sent={data.sent}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
