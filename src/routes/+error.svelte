<script lang="ts">
	import { page } from '$app/state';
	import Button from '$lib/ui/kit/Button.svelte';
</script>

<svelte:head><title>Tevrik</title></svelte:head>

<main class="page max-w-[40rem]!">
	<p class="text-xl font-bold">Tevrik</p>
	<h1 class="mt-8 text-2xl">{page.error?.message}</h1>
	{#if page.status === 401 && page.data.hasAccounts}
		<p class="mt-3">Your session has ended. What you entered and was not sent yet is kept on this device.</p>
		<p class="mt-6"><Button kind="primary" href="/sign-in">Sign in</Button></p>
	{:else if page.status === 401}
		<p class="mt-3">
			The demo signs its member in only on this machine itself. Start it with <code>npm run demo</code> and
			open the address that it prints, or say <code>--sign-in-demo-member</code> if others may see and change the
			demo.
		</p>
	{:else if page.status === 404}
		<p class="mt-3">The address may be mistyped, or the water belongs to a site that you are no member of.</p>
	{/if}
	<p class="mt-6"><Button href="/">Go to the start</Button></p>
</main>
