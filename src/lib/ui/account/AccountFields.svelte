<script lang="ts">
	import { LONGEST_NAME, SHORTEST_PASSWORD } from '$lib/contract/lengths';
	import Field from '$lib/ui/kit/Field.svelte';
	import type { AccountRefused } from './refused';

	/** What it takes to make an account. */
	let { refused }: { refused: AccountRefused | null } = $props();
	const fault = (name: string) => (refused?.field === name ? refused.text : undefined);
</script>

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
