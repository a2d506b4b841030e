<script lang="ts">
	import { enhance } from '$app/forms';
	import type { AccountRefused } from './refused';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';

	interface Props {
		/** There is no account yet. */
		nobody: boolean;
		/** Where one wanted to go. */
		back: string;
		/** A password was chosen just now. */
		chosen: boolean;
		/** An account was taken away just now. */
		gone: boolean;
		isDemo: boolean;
		refused: AccountRefused | null;
	}
	let { nobody, back, chosen, gone, isDemo, refused }: Props = $props();
	let busy = $state(false);
	let failed = $state('');

	async function byPasskey() {
		busy = true;
		const { signInByPasskey } = await import('./passkey');
		failed = (await signInByPasskey()) ?? '';
		busy = false;
		// The whole page anew: whoever was somebody else before sees nothing of that.
		if (failed === '') location.assign(back);
	}
	const fault = (name: string) => (refused?.field === name ? refused.text : undefined);
</script>

<StartFrame about="sign in">
	{#if nobody}
		<h1 class="text-3xl">Nobody has begun here yet</h1>
		<p class="mt-3">
			Whoever started Tevrik finds a link in its window. It is good for the first account, once; so nobody who
			merely comes by this address can make it theirs.
		</p>
	{:else}
		<h1 class="text-3xl lg:text-4xl">Sign in</h1>
		{#if chosen}<p class="mt-3" role="status">
				Your new password is kept. Wherever you were signed in by the old one, you are not any more.
			</p>{/if}
		{#if gone}<p class="mt-3" role="status">
				Your account is gone. What you read stays in the records, under “Former member”.
			</p>{/if}
		<form method="post" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
			<Hidden name="back" value={back} />
			{#if refused?.stray}<Fault text={refused.text} above />{/if}
			<Field
				name="displayName"
				label="Your name, or your e-mail"
				value={refused?.entered.displayName ?? ''}
				autocomplete="username"
				required
				large
				fault={fault('displayName')}
			/>
			<Field
				name="password"
				type="password"
				label="Password"
				autocomplete="current-password"
				required
				large
				fault={fault('password')}
			/>
			<div class="flex flex-wrap items-center gap-x-6 gap-y-3">
				<Button type="submit" kind="primary" size="large">Sign in</Button>
				<a class="link flex min-h-11 items-center" href="/forgot">Forgotten?</a>
			</div>
		</form>
		<div class="mt-8 max-w-[28rem] border-t pt-6">
			{#if failed}<div class="mb-4"><Fault text={failed} /></div>{/if}
			<Button size="large" disabled={busy} onclick={byPasskey}>Sign in by a passkey</Button>
			<p class="small mt-2 text-muted">By the finger, face or digits of a device that knows you here.</p>
		</div>
		{#if isDemo}<p class="mt-6"><a class="link" href="/">Back to the demo, as its keeper</a></p>{/if}
	{/if}
</StartFrame>
