<script lang="ts">
	import PurifiedNotice from '$lib/ui/shared/PurifiedNotice.svelte';
	import BlendView from '$lib/ui/adjust/BlendView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Blend and soften · {data.water.name} · Tevrik</title></svelte:head>
{#key data.water.id}<BlendView
		waterId={data.water.id}
		tap={data.tap}
		given={data.given}
		answer={data.answer}
	/>{/key}
<PurifiedNotice waterId={data.water.id} purified={data.purified} timeZone={data.timeZone} now={data.now} />
