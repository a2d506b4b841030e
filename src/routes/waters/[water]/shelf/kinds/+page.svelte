<script lang="ts">
	import KindsToGet from '$lib/ui/shelf/KindsToGet.svelte';

	let { data } = $props();
</script>

<svelte:head><title>What to get · {data.water.name} · Tevrik</title></svelte:head>
<KindsToGet water={data.water} list={data.list} way={data.way} />
