<script lang="ts">
	import FindingsView from '$lib/ui/judgement/FindingsView.svelte';
	import LeftOutNotice from '$lib/ui/shared/LeftOutNotice.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>What the rules find · {data.water.name} · Tevrik</title></svelte:head>
<LeftOutNotice
	leftOut={data.findings.leftOut}
	waterId={data.water.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
<FindingsView
	water={data.water}
	findings={data.findings}
	timeZone={data.timeZone}
	now={data.now}
	fault={form?.text ?? ''}
/>
