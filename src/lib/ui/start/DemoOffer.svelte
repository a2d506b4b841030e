<script lang="ts">
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import Button from '$lib/ui/kit/Button.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';

	interface Props {
		/** It is being made. */
		coming: boolean;
		/** Whoever started the server can make it. */
		can: boolean;
	}
	let { coming, can }: Props = $props();

	/** So often it is looked whether it is there. */
	const LOOK_MS = 2500;
	onMount(() => {
		const look = setInterval(() => void (coming && invalidateAll()), LOOK_MS);
		return () => clearInterval(look);
	});
</script>

<StartFrame about="the made-up world">
	<h1 class="text-3xl lg:text-4xl">A year of somebody else’s reef</h1>
	<p class="mt-3 text-lg">
		Nine waters with their readings, doses, plans and mistakes, all made up. They stand beside your own under
		a site that is marked so, everything can be tried on them, and one press takes them away again.
	</p>
	{#if coming}
		<p class="mt-6 text-lg font-semibold" role="status">
			It is being made; that takes some minutes. You may go on meanwhile.
		</p>
	{:else if can}
		<form method="post" action="?/look" use:enhance={sending} class="mt-6">
			<Button type="submit" kind="primary" size="large">Have a look</Button>
		</form>
	{:else}
		<p class="mt-6">
			This Tevrik was not started by <code>npm start</code>, which makes it. <code>npm run demo</code> shows it
			by itself.
		</p>
	{/if}
	<p class="mt-6"><a class="link" href="/">Back to your own</a></p>
</StartFrame>
