<script lang="ts">
	import PracticeView from '$lib/ui/practice/PracticeView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Practice · {data.water.name} · Tevrik</title></svelte:head>
<PracticeView
	waterId={data.water.id}
	practice={data.practice}
	weighed={data.weighed}
	mentors={data.mentors}
	id={data.id}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
