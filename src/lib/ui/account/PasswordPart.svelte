<script lang="ts">
	import { enhance } from '$app/forms';
	import { SHORTEST_PASSWORD } from '$lib/contract/lengths';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultOf, type AccountAnswer } from './account-seen';

	let { answer }: { answer: AccountAnswer | null } = $props();
	const fault = $derived(faultOf(answer, 'password'));
	const isRefused = $derived(fault.above() !== '');
</script>

<h2 class="mt-9 text-2xl">Password</h2>
{#if answer?.done === 'password'}<p class="mt-2" role="status">
		The new one is kept; wherever else you were signed in, you are not any more.
	</p>{/if}
<Disclosure title="Choose another" open={isRefused} look="link min-h-11" class="mt-1">
	<form method="post" action="?/password" use:enhance={sending} class="mt-2 grid max-w-[24rem] gap-4">
		<Hidden name="form" value="password" />
		{#if fault.above('password', 'newPassword')}<Fault text={fault.above('password', 'newPassword')} />{/if}
		<Field
			name="password"
			label="The present one"
			type="password"
			autocomplete="current-password"
			required
			fault={fault.of('password')}
		/>
		<Field
			name="newPassword"
			label="The new one"
			type="password"
			help="{SHORTEST_PASSWORD} letters or more; four odd words are good."
			autocomplete="new-password"
			minlength={SHORTEST_PASSWORD}
			required
			fault={fault.of('newPassword')}
		/>
		<div><Button type="submit">Keep the new one</Button></div>
	</form>
</Disclosure>
