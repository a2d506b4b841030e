<script lang="ts">
	import StatedForm from '$lib/ui/log/StatedForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A result from elsewhere · Tevrik</title></svelte:head>
<StatedForm
	id={data.id}
	waterId={data.water.id}
	chosen={data.parameter}
	timeZone={data.timeZone}
	now={data.now}
	refused={form ?? null}
/>
