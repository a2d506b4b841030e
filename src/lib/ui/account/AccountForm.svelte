<script lang="ts">
	import { enhance } from '$app/forms';
	import AccountFields from './AccountFields.svelte';
	import type { AccountRefused } from './refused';
	import Button from '$lib/ui/kit/Button.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';

	interface Props {
		/** The link can still be used. */
		stands: boolean;
		refused: AccountRefused | null;
	}
	let { stands, refused }: Props = $props();
</script>

<StartFrame about="who you are" step={1}>
	{#if stands || refused}
		<h1 class="text-3xl lg:text-4xl">Who are you?</h1>
		<p class="mt-2 text-muted">Your water and this account stay on the machine that Tevrik runs on.</p>
		<form method="post" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
			{#if refused?.stray}<Fault text={refused.text} above />{/if}
			<AccountFields {refused} />
			<div><Button type="submit" kind="primary" size="large">Go on: what is in your tank?</Button></div>
		</form>
	{:else}
		<h1 class="text-3xl">This link was used, or its time is over</h1>
		<p class="mt-3">
			If the account is yours, sign in. If nobody made one yet, start Tevrik again on its machine: it prints a
			new link.
		</p>
		<p class="mt-6"><Button href="/sign-in" kind="primary">Sign in</Button></p>
	{/if}
</StartFrame>
