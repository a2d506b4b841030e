<script lang="ts">
	import WatersView from '$lib/ui/start/WatersView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Waters · Tevrik</title></svelte:head>
<WatersView
	here={data.water.id}
	ownAccount={data.account !== null}
	waters={data.waters}
	edited={form?.entered.waterId ?? data.edited}
	addId={data.addId}
	zoneId={data.zoneId}
	orderIds={data.orderIds}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
