<script lang="ts">
	import TestingView from '$lib/ui/judgement/TestingView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>When tests are due · {data.water.name} · Tevrik</title></svelte:head>
<TestingView
	water={data.water}
	due={data.due}
	stage={data.stage}
	settings={data.settings}
	cycles={data.cycles}
	feeds={data.feeds}
	id={data.id}
	origin={data.origin}
	timeZone={data.timeZone}
	now={data.now}
	answer={form}
/>
