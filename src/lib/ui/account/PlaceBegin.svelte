<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountRefused } from './refused';

	interface Props {
		/** Null where its link was used, or its time is over. */
		place: { readonly name: string; readonly site: string } | null;
		signedInAs: string | null;
		refused: AccountRefused | null;
	}
	let { place, signedInAs, refused }: Props = $props();
</script>

<StartFrame about="this device">
	{#if place}
		<h1 class="text-3xl lg:text-4xl">This device becomes “{place.name}” at {place.site}</h1>
		<p class="mt-3 text-lg">
			It stays signed in and shows everything. Whoever reads taps their name first; it stands beside what they
			read. Kits, targets and people are not changed here.
		</p>
		{#if signedInAs}<p class="mt-3">{signedInAs} is signed out of it by that.</p>{/if}
		{#if refused}<div class="mt-5"><Fault text={refused.text} /></div>{/if}
		<form method="post" use:enhance={sending} class="mt-7">
			<Button type="submit" kind="primary" size="large">Yes, this device</Button>
		</form>
	{:else}
		<h1 class="text-3xl">This link was used, or its time is over</h1>
		<p class="mt-3">An owner of the site makes another under People.</p>
		<p class="mt-6"><Button href="/" kind="primary">Go on</Button></p>
	{/if}
</StartFrame>
