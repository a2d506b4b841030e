<script lang="ts">
	import TargetsView from '$lib/ui/targets/TargetsView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Targets · {data.water.name} · Tevrik</title></svelte:head>
<TargetsView
	waterId={data.water.id}
	waterName={data.water.name}
	targets={data.targets}
	profile={data.profile}
	ids={data.ids}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
