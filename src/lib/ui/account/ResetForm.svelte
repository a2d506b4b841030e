<script lang="ts">
	import { enhance } from '$app/forms';
	import { SHORTEST_PASSWORD } from '$lib/contract/lengths';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountRefused } from './refused';

	let { stands, refused }: { stands: boolean; refused: AccountRefused | null } = $props();
</script>

<StartFrame about="a new password">
	{#if stands || refused}
		<h1 class="text-3xl lg:text-4xl">Choose a new password</h1>
		<p class="mt-2 text-muted">Wherever you are signed in by the old one, you are not any more afterwards.</p>
		<form method="post" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
			<Field
				name="password"
				type="password"
				label="The new password"
				help="{SHORTEST_PASSWORD} letters or more; four odd words are good."
				autocomplete="new-password"
				minlength={SHORTEST_PASSWORD}
				required
				large
				fault={refused?.text}
			/>
			<div><Button type="submit" kind="primary" size="large">Keep it</Button></div>
		</form>
	{:else}
		<h1 class="text-3xl">This link was used, or its time is over</h1>
		<p class="mt-3">Each is good once, for a day.</p>
		<p class="mt-6"><Button href="/forgot" kind="primary">Ask for another</Button></p>
	{/if}
</StartFrame>
