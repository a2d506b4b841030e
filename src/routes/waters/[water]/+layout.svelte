<script lang="ts">
	import { onMount } from 'svelte';
	import { afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { draftStore } from '$lib/client/draft-store';
	import { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { clockOf, setBenchDesk } from '$lib/ui/shared/context';
	import Footer from '$lib/ui/shared/Footer.svelte';
	import Header from '$lib/ui/shared/Header.svelte';

	let { data, children } = $props();

	const desk = new BenchDesk(clockOf(), draftStore);
	setBenchDesk(desk);
	onMount(() => {
		const ticking = setInterval(() => desk.tick(), 250);
		return () => clearInterval(ticking);
	});
	// Another water has another unfinished test.
	afterNavigate(() => void desk.open(data.water.id));

	const view = $derived(page.url.pathname.split('/')[3] ?? 'today');
</script>

<div class="frame">
	<Header water={data.water} siblings={data.siblings} {view} {desk} />
	{@render children()}
	<Footer preferences={data.preferences} waterId={data.water.id} path={page.url.pathname + page.url.search} />
</div>
