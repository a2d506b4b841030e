<script lang="ts">
	import LimitsView from '$lib/ui/adjust/LimitsView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>What a day may change · {data.water.name} · Tevrik</title></svelte:head>
<LimitsView
	waterId={data.water.id}
	limits={data.limits}
	animals={data.water.hasAnimals}
	id={data.id}
	{form}
/>
