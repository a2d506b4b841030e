<script lang="ts">
	import { page } from '$app/state';
	import BenchRoom from '$lib/ui/shared/BenchRoom.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Footer from '$lib/ui/shared/Footer.svelte';
	import Header from '$lib/ui/shared/Header.svelte';

	let { data, children } = $props();

	/** What a form was refused for that has no field of its own on the page. */
	const stray = $derived.by(() => {
		const form = page.form as { stray?: boolean; text?: string } | null;
		return form?.stray ? (form.text ?? '') : '';
	});
	const view = $derived(page.url.pathname.split('/')[3] ?? 'today');
</script>

<BenchRoom>
	<div class="frame">
		<Header water={data.water} siblings={data.siblings} {view} />
		{#if stray}<div class="page py-3!"><Fault text={stray} /></div>{/if}
		{@render children()}
		<Footer
			preferences={data.preferences}
			waterId={data.water.id}
			path={page.url.pathname + page.url.search}
		/>
	</div>
</BenchRoom>
