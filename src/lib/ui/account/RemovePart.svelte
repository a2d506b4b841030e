<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultOf, type AccountAnswer } from './account-seen';

	let { answer }: { answer: AccountAnswer | null } = $props();
	const fault = $derived(faultOf(answer, 'remove'));
</script>

<h2 class="mt-9 text-2xl">Take the account away</h2>
<Disclosure title="What that does" open={fault.above() !== ''} look="link min-h-11" class="mt-1">
	<p class="mt-2 max-w-[40rem]">
		Your name, your e-mail and all by which you sign in are removed, at once and for good. What you read stays
		with its sites, under “Former member”. A site that is yours alone stays on this machine, and nobody can
		open it any more: take a backup first, or make somebody else its owner.
	</p>
	<form method="post" action="?/remove" use:enhance={sending} class="mt-4 grid max-w-[24rem] gap-4">
		<Hidden name="form" value="remove" />
		{#if fault.above('password')}<Fault text={fault.above('password')} />{/if}
		<Field
			name="password"
			label="Your password"
			type="password"
			autocomplete="current-password"
			required
			fault={fault.of('password')}
		/>
		<Checkbox name="certain" value="yes">I am sure</Checkbox>
		<div><Button type="submit">Take my account away</Button></div>
	</form>
</Disclosure>
