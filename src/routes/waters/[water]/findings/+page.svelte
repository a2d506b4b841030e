<script lang="ts">
	import FindingsView from '$lib/ui/judgement/FindingsView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>What the rules find · {data.water.name} · Tevrik</title></svelte:head>
<FindingsView
	water={data.water}
	findings={data.findings}
	timeZone={data.timeZone}
	now={data.now}
	fault={form?.text ?? ''}
/>
