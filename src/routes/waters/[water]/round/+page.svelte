<script lang="ts">
	import RoundView from '$lib/ui/visitor/RoundView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>A round · Tevrik</title></svelte:head>
<RoundView
	lines={data.lines}
	round={data.round}
	waterId={data.water.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
