<script lang="ts">
	import PurifiedNotice from '$lib/ui/shared/PurifiedNotice.svelte';
	import BatchesView from '$lib/ui/adjust/BatchesView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>New water · {data.water.name} · Tevrik</title></svelte:head>
<BatchesView
	waterId={data.water.id}
	batches={data.batches}
	wish={data.wish}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
<PurifiedNotice waterId={data.water.id} purified={data.purified} timeZone={data.timeZone} now={data.now} />
