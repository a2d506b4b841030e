<script lang="ts">
	import MethodEditor from '$lib/ui/methods/MethodEditor.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Enter a kit · Tevrik</title></svelte:head>
<MethodEditor waterId={data.water.id} from={data.from} parameter={data.parameter} revises={data.revises} />
