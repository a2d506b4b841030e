<script lang="ts">
	import { isFresh } from '$lib/core/judgement';
	import AdjustView from '$lib/ui/adjust/AdjustView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Adjust · {data.water.name} · Tevrik</title></svelte:head>
<AdjustView
	water={data.water}
	answer={data.answer}
	fresh={isFresh(data.water.profile)}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
