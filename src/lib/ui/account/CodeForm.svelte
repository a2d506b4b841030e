<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountRefused } from './refused';

	let { back, refused }: { back: string; refused: AccountRefused | null } = $props();
</script>

<StartFrame about="sign in">
	<h1 class="text-3xl lg:text-4xl">The second step</h1>
	<p class="mt-2 text-muted">
		Your password was right. Now the six digits that your authenticator shows, or one of your spare codes.
	</p>
	<form method="post" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
		<Hidden name="back" value={back} />
		{#if refused && refused.field !== 'code'}<Fault text={refused.text} above />{/if}
		<Field
			name="code"
			label="Digits, or a spare code"
			autocomplete="one-time-code"
			required
			large
			fault={refused?.field === 'code' ? refused.text : undefined}
		/>
		<div class="flex flex-wrap items-center gap-6">
			<Button type="submit" kind="primary" size="large">Sign in</Button>
			<a class="link" href="/sign-in">Begin again</a>
		</div>
	</form>
</StartFrame>
