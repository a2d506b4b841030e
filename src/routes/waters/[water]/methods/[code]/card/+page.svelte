<script lang="ts">
	import MethodCard from '$lib/ui/methods/MethodCard.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Card: {data.method.name} · Tevrik</title></svelte:head>
<MethodCard waterId={data.water.id} method={data.method} units={data.preferences.units} />
