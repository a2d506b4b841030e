<script lang="ts">
	import { page } from '$app/state';
	import BenchRoom from '$lib/ui/shared/BenchRoom.svelte';
	import Footer from '$lib/ui/shared/Footer.svelte';
	import Header from '$lib/ui/shared/Header.svelte';

	let { data, children } = $props();

	const view = $derived(page.url.pathname.split('/')[3] ?? 'today');
</script>

<BenchRoom>
	<div class="frame">
		<Header water={data.water} siblings={data.siblings} {view} />
		{@render children()}
		<Footer
			preferences={data.preferences}
			waterId={data.water.id}
			path={page.url.pathname + page.url.search}
		/>
	</div>
</BenchRoom>
