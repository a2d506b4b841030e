<script lang="ts">
	import DailyView from '$lib/ui/adjust/DailyView.svelte';
	import NothingToTune from '$lib/ui/adjust/NothingToTune.svelte';

	let { data } = $props();
</script>

<svelte:head><title>The daily dose · {data.water.name} · Tevrik</title></svelte:head>
{#if data.given && data.asked && data.answer}
	{#key data.water.id}
		<DailyView
			waterId={data.water.id}
			given={data.given}
			bands={data.bands}
			running={data.running}
			strange={data.strange}
			supplies={data.supplies}
			asked={data.asked}
			answer={data.answer}
			units={data.preferences.units}
		/>
	{/key}
{:else}
	<NothingToTune waterId={data.water.id} isVolumeKnown={data.isVolumeKnown} />
{/if}
