<script lang="ts">
	import CodeForm from '$lib/ui/account/CodeForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>The second step · Tevrik</title></svelte:head>
<CodeForm back={data.back} refused={form} />
