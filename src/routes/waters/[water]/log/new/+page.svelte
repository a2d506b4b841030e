<script lang="ts">
	import EventForm from '$lib/ui/log/EventForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Enter something · {data.water.name} · Tevrik</title></svelte:head>
<EventForm
	id={data.id}
	waterId={data.water.id}
	kind={form?.entered.kind ?? data.kind}
	used={data.used}
	batches={data.batches}
	given={data.given}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	netVolumeL={data.water.netVolumeL}
	refused={form}
/>
