<script lang="ts">
	import BenchRoom from '$lib/ui/shared/BenchRoom.svelte';
	import OfflineBench from '$lib/ui/bench/OfflineBench.svelte';
</script>

<svelte:head><title>Bench · Tevrik</title></svelte:head>
<BenchRoom><OfflineBench /></BenchRoom>
