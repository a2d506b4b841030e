<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountRefused } from './refused';

	interface Props {
		sendsMail: boolean;
		/** It was asked for just now. */
		asked: boolean;
		refused: AccountRefused | null;
	}
	let { sendsMail, asked, refused }: Props = $props();
</script>

<StartFrame about="a forgotten password">
	<h1 class="text-3xl lg:text-4xl">A new password</h1>
	{#if asked}
		<p class="mt-4 text-lg" role="status">
			If somebody here has this name or address, and gave an e-mail, a link is on its way to it. It is good
			once, until tomorrow.
		</p>
		<p class="mt-3 text-muted">
			Nothing came? Look among the unwanted mail, or ask whoever keeps this server.
		</p>
	{:else if sendsMail}
		<form method="post" use:enhance={sending} class="mt-6 grid max-w-[28rem] gap-6">
			{#if refused?.stray || refused?.field === ''}<Fault text={refused.text} above />{/if}
			<Field
				name="displayName"
				label="Your name, or your e-mail"
				value={refused?.entered.displayName ?? ''}
				autocomplete="username"
				required
				large
				fault={refused?.field === 'displayName' ? refused.text : undefined}
			/>
			<div><Button type="submit" kind="primary" size="large">Send me a link</Button></div>
		</form>
	{:else}
		<p class="mt-4 text-lg">
			This server sends no mail. Whoever keeps it makes a link for you, good once, at its command line:
		</p>
		<p class="mt-3"><code>npm run account -- reset “your name”</code></p>
	{/if}
	<p class="mt-8"><a class="link" href="/sign-in">Back to signing in</a></p>
</StartFrame>
