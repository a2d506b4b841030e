<script lang="ts">
	import MethodView from '$lib/ui/methods/MethodView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.method.name} · Tevrik</title></svelte:head>
<MethodView
	waterId={data.water.id}
	method={data.method}
	own={data.own}
	versions={data.versions}
	moves={data.moves}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
