<script lang="ts">
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import { instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultOf, type AccountAnswer, type AccountSeen } from './account-seen';

	interface Props {
		passkeys: AccountSeen['passkeys'];
		takesPasskeys: boolean;
		now: number;
		answer: AccountAnswer | null;
	}
	let { passkeys, takesPasskeys, now, answer }: Props = $props();
	const fault = $derived(faultOf(answer, 'passkey'));
	let password = $state('');
	let name = $state('');
	let busy = $state(false);
	let failed = $state('');
	let open = $state(false);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const { addPasskey } = await import('./passkey');
		failed = (await addPasskey(password, name)) ?? '';
		busy = false;
		if (failed !== '') return;
		[password, name, open] = ['', '', false];
		await invalidateAll();
	}
</script>

<h2 class="mt-9 text-2xl">Passkeys</h2>
<p class="small mt-1 text-muted">
	A device signs you in by a finger, a face or its own digits; there is nothing to remember and nothing to
	steal.
</p>
{#if fault.above()}<div class="mt-2"><Fault text={fault.above()} /></div>{/if}
<ul class="mt-2 border-b">
	{#each passkeys as key (key.id)}
		<li class="flex flex-wrap items-center justify-between gap-x-6 border-t py-2">
			<span
				><strong>{key.name}</strong>
				{#if key.at !== null}<span class="small figures text-muted"
						>since {shortDay(instant(key.at), 'UTC', instant(now))}</span
					>{/if}</span
			>
			<form method="post" action="?/passkey" use:enhance={sending}>
				<Hidden name="form" value="passkey" />
				<Hidden name="passkey" value={key.id} />
				<Button type="submit" kind="text" class="min-h-11"
					>Remove it<span class="visually-hidden">: {key.name}</span></Button
				>
			</form>
		</li>
	{:else}
		<li class="border-t py-3 text-muted">No device signs you in yet.</li>
	{/each}
</ul>
{#if takesPasskeys}
	<Disclosure title="Add this device" bind:open look="link min-h-11" class="mt-2">
		<form onsubmit={add} class="mt-2 grid max-w-[24rem] gap-4">
			{#if failed}<Fault text={failed} />{/if}
			<Field label="What it is called" help="For instance: my phone." bind:value={name} maxlength={80} />
			<Field
				label="Your password"
				type="password"
				autocomplete="current-password"
				required
				bind:value={password}
			/>
			<div><Button type="submit" disabled={busy}>Ask the device</Button></div>
		</form>
	</Disclosure>
{:else}
	<p class="small mt-2 text-muted">
		A passkey is bound to the name of a server. You reached this one by a number; use its name for that.
	</p>
{/if}
