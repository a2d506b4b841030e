<script lang="ts">
	import PlanBuilder from '$lib/ui/adjust/PlanBuilder.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Plan a correction · {data.water.name} · Tevrik</title></svelte:head>
<PlanBuilder
	waterId={data.water.id}
	kind={data.kind}
	request={data.request}
	goals={data.goals}
	offers={data.offers}
	aimText={data.aimText}
	volumeKnown={data.volumeKnown}
	supplements={data.supplements}
	preview={data.preview}
	bands={data.bands}
	fault={form?.text ?? data.fault}
	id={data.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
