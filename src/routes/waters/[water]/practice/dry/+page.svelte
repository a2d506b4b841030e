<script lang="ts">
	import DryRun from '$lib/ui/bench/dry/DryRun.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Dry run · {data.method.name} · Tevrik</title></svelte:head>
{#key data.method.code}
	<DryRun
		waterId={data.water.id}
		method={data.method}
		habits={data.preferences}
		stepNotes={data.stepNotes}
		back="/waters/{data.water.id}/practice"
	/>
{/key}
