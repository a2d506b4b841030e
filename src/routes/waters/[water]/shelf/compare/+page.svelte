<script lang="ts">
	import KitsBeside from '$lib/ui/shelf/KitsBeside.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Kits side by side · Tevrik</title></svelte:head>
<KitsBeside
	waterId={data.water.id}
	parameter={data.parameter}
	kits={data.kits}
	unit={data.preferences.units[data.parameter]}
/>
