<script lang="ts">
	import type { Snippet } from 'svelte';
	import { page } from '$app/state';
	import type { LinkToShow } from '$lib/contract/people';

	interface Props {
		link: LinkToShow;
		/** For whom it is and what becomes of them. */
		children: Snippet;
		/** Told apart from the link. */
		code?: string | null;
	}
	let { link, children, code = null }: Props = $props();
</script>

<div class="grid gap-x-8 gap-y-4 border-2 border-ink p-5 sm:grid-cols-[15rem_minmax(0,1fr)]" role="status">
	<img src={link.qr} alt="The link, for a phone’s camera" class="w-60 border bg-white" />
	<div class="min-w-0">
		<h3 class="text-xl">Hold this up to their phone, or send the link</h3>
		<p class="mt-1">{@render children()}</p>
		<p class="figures mt-3 border bg-paper p-3 font-semibold break-all select-all">{link.address}</p>
		{#if link.who === 'this-machine'}
			<p class="mt-3 border-l-4 border-warn bg-paper px-3 py-2">
				<strong class="text-warn">Only on this computer.</strong>
				{#if page.data.isDemo}
					The demo answers nowhere else: open the link in another browser here.
				{:else}
					Others do not reach this address: serve the house (<a class="link" href="/house"
						>Phone at the tank</a
					>), or open Tevrik by the name under which they do, and make the link there.
				{/if}
			</p>
		{:else if link.who === 'house'}
			<p class="small mt-3">
				In your house. A phone that was not here yet has to trust this computer first:
				<a class="link" href="/house">Phone at the tank</a>.
			</p>
		{/if}
		{#if code}
			<p class="mt-4 text-muted">The code, which you tell them yourself and do not send with the link:</p>
			<p class="figures text-[2.5rem] leading-tight font-bold tracking-widest">{code}</p>
		{/if}
		<p class="small mt-3 text-muted">It is shown once: what is kept of it opens nothing.</p>
	</div>
</div>
