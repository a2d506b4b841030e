<script lang="ts">
	import { page } from '$app/state';
	import Button from '$lib/ui/kit/Button.svelte';

	const log = $derived(`/waters/${page.params.water}/log`);
	/** Its own log opens where a water cannot be reckoned: there it is looked for. */
	const leadsToLog = $derived(page.status >= 500 && page.url.pathname !== log);
</script>

<svelte:head><title>Tevrik</title></svelte:head>

<main class="page max-w-[40rem]!">
	<h1 class="text-2xl">{page.error?.message}</h1>
	{#if page.status === 404}
		<p class="mt-3">The address may be mistyped, or the water belongs to a site that you are no member of.</p>
	{:else if leadsToLog}
		<p class="mt-3">
			What was stored is kept. If this water cannot be reckoned, an entry of its log may be the reason: look
			at the newest first, and put right what cannot be.
		</p>
	{/if}
	<p class="mt-6 flex flex-wrap gap-3">
		{#if leadsToLog}<Button kind="primary" href={log}>Look at its log</Button>{/if}
		<Button href="/">Go to the start</Button>
	</p>
</main>
