<script lang="ts">
	import PurifiedNotice from '$lib/ui/shared/PurifiedNotice.svelte';
	import StandardMaker from '$lib/ui/shelf/StandardMaker.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Make a standard · Tevrik</title></svelte:head>
<StandardMaker
	waterId={data.water.id}
	stocks={data.stocks}
	id={data.id}
	units={data.preferences.units}
	refused={form}
/>
<PurifiedNotice waterId={data.water.id} purified={data.purified} timeZone={data.timeZone} now={data.now} />
