<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from './StartFrame.svelte';

	interface Props {
		/** There is no account yet. */
		nobody: boolean;
		/** Where one wanted to go. */
		back: string;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { nobody, back, refused }: Props = $props();
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
			<div><Button type="submit" kind="primary" size="large">Sign in</Button></div>
		</form>
	{/if}
</StartFrame>
