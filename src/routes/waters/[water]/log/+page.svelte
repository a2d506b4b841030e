<script lang="ts">
	import LogView from '$lib/ui/log/LogView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Log · {data.water.name} · Tevrik</title></svelte:head>
<LogView
	waterId={data.water.id}
	severalWaters={data.siblings.length > 1}
	entries={data.entries}
	older={data.older}
	what={data.what}
	everywhere={data.everywhere}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
