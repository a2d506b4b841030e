<script lang="ts">
	import '../app.css';
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { browserClock, rememberClock, rememberedClock } from '$lib/client/clock';
	import { readBy } from '$lib/format/reader';
	import { pageRuns } from '$lib/ui/kit/late/late-start';
	import { setClock } from '$lib/ui/shared/context';

	let { data, children } = $props();
	// The clock is set once per visit; later loads must not make it jump. Without a network it is the remembered one.
	const offline = untrack(() => page.route.id === '/offline');
	const shared = untrack(() => (offline && typeof window !== 'undefined' ? rememberedClock() : data.clock));
	// On the server it is the request's; changed preferences load the page anew.
	if (typeof window !== 'undefined' && !offline) untrack(() => readBy(() => data.preferences.reader));
	setClock(browserClock(shared));
	onMount(() => {
		// Whoever drives a browser knows by it that the page answers.
		pageRuns(() => (document.documentElement.dataset.running = ''));
		if (!offline) rememberClock(untrack(() => data.clock));
	});
</script>

{@render children()}
