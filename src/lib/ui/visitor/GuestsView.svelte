<script lang="ts">
	import { enhance } from '$app/forms';
	import { PROFILE_IDS, PROFILES } from '$lib/core/judgement';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		guests: readonly {
			readonly id: string;
			readonly name: string;
			readonly startedAt: Instant;
			readonly guestUntil: Instant;
			readonly keepId: string;
		}[];
		id: string;
		guestId: string;
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Readonly<Record<string, string>>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { guests, id, guestId, timeZone, now, refused }: Props = $props();
	const fault = (field: string) => (refused?.field === field ? refused.text : undefined);
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">A stranger’s bottle</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Test somebody’s water without making a tank of it: test it, hand over the sheet. It is kept for thirty
		days, and becomes a water here only if you say so.
	</p>
	<form
		method="post"
		action="?/add"
		use:enhance={sending}
		class="mt-6 grid gap-5 border-2 border-ink p-5 sm:grid-cols-2"
	>
		<Hidden name="id" value={id} />
		<Hidden name="guestId" value={guestId} />
		{#if refused && !['name', 'profile'].includes(refused.field)}
			<div class="sm:col-span-2"><Fault text={refused.text} /></div>
		{/if}
		<Field
			name="name"
			label="Whose water"
			help="As you tell it apart; it goes when the bottle goes."
			value={refused?.entered.name ?? ''}
			fault={fault('name')}
			autocomplete="off"
		/>
		<Choice
			name="profile"
			label="It comes from"
			value={refused?.entered.profile ?? 'mixed-reef'}
			items={PROFILE_IDS.map((value) => ({ value, name: PROFILES[value].name }))}
			fault={fault('profile')}
		/>
		<p class="sm:col-span-2">
			<May what="test" said
				><Button kind="primary" size="large" type="submit">Take it to the bench</Button></May
			>
		</p>
	</form>
	<h2 class="mt-8 text-xl">Bottles that are kept</h2>
	<ul class="mt-2 border-b">
		{#each guests as guest (guest.id)}
			<li class="flex flex-wrap items-center gap-3 border-t py-3">
				<span class="min-w-0 grow">
					<strong>{guest.name}</strong>
					<span class="small figures block text-muted"
						>since {shortDay(guest.startedAt, timeZone, now)}, kept until {shortDay(
							guest.guestUntil,
							timeZone,
							now
						)}</span
					>
				</span>
				<Button href="/waters/{guest.id}/bench">Bench</Button>
				<Button href="/waters/{guest.id}/sheet">Sheet</Button>
				<May what="arrange">
					<form method="post" action="?/keep" use:enhance={sending}>
						<Hidden name="id" value={guest.keepId} />
						<Hidden name="guestId" value={guest.id} />
						<Button kind="quiet" type="submit">Make it a water here</Button>
					</form>
				</May>
			</li>
		{:else}
			<li class="border-t py-4 text-muted">None.</li>
		{/each}
	</ul>
</main>
