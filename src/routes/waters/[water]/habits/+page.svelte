<script lang="ts">
	import { page } from '$app/state';
	import HabitsView from '$lib/ui/habits/HabitsView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Units and habits · Tevrik</title></svelte:head>
<HabitsView preferences={data.preferences} path={page.url.pathname} />
