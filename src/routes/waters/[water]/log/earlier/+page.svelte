<script lang="ts">
	import EarlierView from '$lib/ui/log/earlier/EarlierView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Readings from before · Tevrik</title></svelte:head>
<EarlierView
	waterId={data.water.id}
	columns={data.columns}
	kits={data.methods}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
