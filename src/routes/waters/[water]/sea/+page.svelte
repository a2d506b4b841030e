<script lang="ts">
	import SeaView from '$lib/ui/sea/SeaView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Beside the seas · {data.water.name} · Tevrik</title></svelte:head>
<SeaView
	water={data.water}
	rows={data.rows}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
