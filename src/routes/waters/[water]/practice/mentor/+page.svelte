<script lang="ts">
	import MentorView from '$lib/ui/practice/MentorView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Mentor · {data.water.name} · Tevrik</title></svelte:head>
<MentorView
	waterId={data.water.id}
	practice={data.practice}
	mentors={data.mentors}
	id={data.id}
	timeZone={data.timeZone}
	now={data.now}
/>
