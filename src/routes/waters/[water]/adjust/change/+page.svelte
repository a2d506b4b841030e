<script lang="ts">
	import ChangeView from '$lib/ui/adjust/ChangeView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A water change · {data.water.name} · Tevrik</title></svelte:head>
<ChangeView
	waterId={data.water.id}
	volumeL={data.volumeL}
	tank={data.tank}
	fresh={data.fresh}
	batches={data.batches}
	moves={data.moves}
	largest={data.largest}
	series={data.series}
	wish={data.wish}
	target={data.target}
	neglected={data.neglected}
	id={data.id}
	units={data.preferences.units}
	fault={form?.text ?? data.fault}
/>
