<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Role } from '$lib/core/access';
	import { instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { asRole, ROLE_MEANS } from '$lib/format/people/deeds';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import AccountFields from './AccountFields.svelte';
	import type { AccountRefused } from './refused';

	interface Props {
		/** Null where it lets nobody in any more. */
		invitation: {
			readonly site: string;
			readonly role: Role;
			readonly invitedBy: string;
			readonly memberUntil: number | null;
			readonly withCode: boolean;
		} | null;
		/** Why it does not. */
		over: string;
		/** Who is signed in by an account. */
		signedInAs: string | null;
		path: string;
		now: number;
		refused: AccountRefused | null;
	}
	let { invitation, over, signedInAs, path, now, refused }: Props = $props();
	const FIELDS = ['displayName', 'password', 'email', 'code'];
	const above = $derived(refused && !FIELDS.includes(refused.field) ? refused.text : '');
	const until = (at: number) => shortDay(instant(at), 'UTC', instant(now));
</script>

{#snippet code()}
	{#if invitation?.withCode}
		<Field
			name="code"
			label="The code that you were told"
			inputmode="numeric"
			autocomplete="off"
			value={refused?.entered.code ?? ''}
			required
			large
			fault={refused?.field === 'code' ? refused.text : undefined}
		/>
	{/if}
{/snippet}

<StartFrame about="an invitation">
	{#if invitation}
		<h1 class="text-3xl lg:text-4xl">{invitation.invitedBy || 'Somebody'} asks you to {invitation.site}</h1>
		<p class="mt-2 text-lg">
			As {asRole(invitation.role)}: {ROLE_MEANS[invitation.role]}.
			{#if invitation.memberUntil !== null}
				Until {until(invitation.memberUntil)}.{/if}
		</p>
		{#if above}<div class="mt-5 max-w-[28rem]"><Fault text={above} above /></div>{/if}
		{#if signedInAs}
			<form method="post" action="?/accept" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
				{@render code()}
				<div><Button type="submit" kind="primary" size="large">Come in as {signedInAs}</Button></div>
			</form>
		{:else}
			<form method="post" action="?/begin" use:enhance={sending} class="mt-7 grid max-w-[28rem] gap-6">
				{@render code()}
				<AccountFields {refused} />
				<div><Button type="submit" kind="primary" size="large">Make my account and come in</Button></div>
			</form>
			<p class="mt-6">
				<a class="link" href="/sign-in?back={encodeURIComponent(path)}">I have an account here already</a>
			</p>
		{/if}
	{:else}
		<h1 class="text-3xl">This invitation lets nobody in any more</h1>
		<p class="mt-3 text-lg">{over}</p>
		<p class="mt-6"><Button href="/" kind="primary">Go on</Button></p>
	{/if}
</StartFrame>
