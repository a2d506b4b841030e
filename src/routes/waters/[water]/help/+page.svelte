<script lang="ts">
	import { page } from '$app/state';
	import HelpView from '$lib/ui/help/HelpView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Help · Tevrik</title></svelte:head>
<HelpView waterId={data.water.id} query={page.url.searchParams.get('q') ?? ''} />
