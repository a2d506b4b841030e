<script lang="ts">
	import MethodsView from '$lib/ui/methods/MethodsView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Methods and kits · Tevrik</title></svelte:head>
<MethodsView
	waterId={data.water.id}
	methods={data.methods}
	mostBytes={data.mostBytes}
	id={data.id}
	refused={form?.text ?? null}
/>
