<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountAnswer, AccountSeen } from './account-seen';
	import PasskeysPart from './PasskeysPart.svelte';
	import PasswordPart from './PasswordPart.svelte';
	import RemovePart from './RemovePart.svelte';
	import SecondFactorPart from './SecondFactorPart.svelte';
	import SessionsPart from './SessionsPart.svelte';

	interface Props {
		/** Null for the demo's keeper, who has none. */
		account: AccountSeen | null;
		takesPasskeys: boolean;
		isDemo: boolean;
		now: number;
		answer: AccountAnswer | null;
	}
	let { account, takesPasskeys, isDemo, now, answer }: Props = $props();
</script>

<StartFrame about="your account">
	{#if account}
		<h1 class="text-3xl lg:text-4xl">{account.name}</h1>
		<p class="mt-1 text-muted">
			{account.email ?? 'No e-mail was given: a forgotten password is reset at the server.'}
		</p>
		<SessionsPart sessions={account.sessions} {now} {answer} />
		<PasskeysPart passkeys={account.passkeys} {takesPasskeys} {now} {answer} />
		<SecondFactorPart has={account.hasSecondFactor} {answer} />
		<PasswordPart {answer} />
		<RemovePart {answer} />
		<p class="mt-10"><a class="link" href="/">Back to your water</a></p>
	{:else}
		<h1 class="text-3xl lg:text-4xl">No account</h1>
		<p class="mt-3 text-lg">
			{isDemo
				? 'Whoever sits at this machine is the demo’s keeper, without an account. Ask somebody in under People, and open the link in another browser: they have one.'
				: 'You are not signed in by an account.'}
		</p>
		<p class="mt-6 flex flex-wrap gap-6">
			<Button href="/sign-in" kind="primary">Sign in</Button>
			<Button href="/" kind="quiet">Back</Button>
		</p>
	{/if}
</StartFrame>
