<script lang="ts">
	import { enhance } from '$app/forms';
	import { instant } from '$lib/core/time';
	import { ago, shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { deviceWords, faultOf, type AccountAnswer, type SessionSeen } from './account-seen';

	interface Props {
		sessions: readonly SessionSeen[];
		now: number;
		answer: AccountAnswer | null;
	}
	let { sessions, now, answer }: Props = $props();
	const fault = $derived(faultOf(answer, 'end'));
	const at = instant;
</script>

<h2 class="mt-8 text-2xl">Where you are signed in</h2>
{#if fault.above()}<div class="mt-2"><Fault text={fault.above()} /></div>{/if}
<ul class="mt-2 border-b">
	{#each sessions as session (session.id)}
		<li class="flex flex-wrap items-center justify-between gap-x-6 border-t py-2.5">
			<span class="min-w-0">
				<strong>{deviceWords(session.device)}</strong>{session.isThis ? ', this one' : ''}
				<span class="small figures block text-muted"
					>since {shortDay(at(session.since), 'UTC', at(now))}, used {ago(
						at(session.usedAt),
						'UTC',
						at(now)
					)}{session.address ? `, from ${session.address}` : ''}</span
				>
			</span>
			{#if !session.isThis}
				<form method="post" action="?/end" use:enhance={sending}>
					<Hidden name="form" value="end" />
					<Hidden name="session" value={session.id} />
					<Button type="submit" kind="text" class="min-h-11">Sign it out</Button>
				</form>
			{/if}
		</li>
	{/each}
</ul>
<div class="mt-3 flex flex-wrap items-center gap-4">
	{#if sessions.length > 1}
		<form method="post" action="?/end" use:enhance={sending}>
			<Hidden name="form" value="end" />
			<Button type="submit">Sign out everywhere else</Button>
		</form>
	{/if}
	{#if answer?.done === 'ended'}<span class="small" role="status">Signed out there.</span>{/if}
</div>
