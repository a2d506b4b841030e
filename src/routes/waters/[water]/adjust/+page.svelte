<script lang="ts">
	import { isFresh } from '$lib/core/judgement';
	import AdjustView from '$lib/ui/adjust/AdjustView.svelte';
	import LeftOutNotice from '$lib/ui/shared/LeftOutNotice.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Adjust · {data.water.name} · Tevrik</title></svelte:head>
<LeftOutNotice
	leftOut={data.answer.leftOut}
	waterId={data.water.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
<AdjustView
	water={data.water}
	answer={data.answer}
	fresh={isFresh(data.water.profile)}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
