<script lang="ts">
	import { enhance } from '$app/forms';
	import { LONGEST_NAME, SHORTEST_PASSWORD } from '$lib/contract/account';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from './StartFrame.svelte';

	interface Props {
		/** The link can still be used. */
		stands: boolean;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { stands, refused }: Props = $props();
	const fault = (name: string) => (refused?.field === name ? refused.text : undefined);
</script>

<StartFrame about="who you are" step={1}>
	{#if stands || refused}
		<h1 class="text-3xl lg:text-4xl">Who are you?</h1>
		<p class="mt-2 text-muted">Your water and this account stay on the machine that Tevrik runs on.</p>
		<form method="post" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
			{#if refused?.stray}<Fault text={refused.text} above />{/if}
			<Field
				name="displayName"
				label="Your name"
				help="It stands beside what you read."
				value={refused?.entered.displayName ?? ''}
				autocomplete="username"
				maxlength={LONGEST_NAME}
				required
				large
				fault={fault('displayName')}
			/>
			<Field
				name="password"
				type="password"
				label="A password"
				help="{SHORTEST_PASSWORD} letters or more; four odd words are good."
				autocomplete="new-password"
				minlength={SHORTEST_PASSWORD}
				required
				large
				fault={fault('password')}
			/>
			<Field
				name="email"
				type="email"
				label="E-mail, if you like"
				help="You can sign in with it, too."
				value={refused?.entered.email ?? ''}
				autocomplete="email"
				large
				fault={fault('email')}
			/>
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
