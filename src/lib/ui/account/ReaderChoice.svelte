<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import type { AccountRefused } from './refused';

	interface Props {
		place: string;
		readers: readonly { readonly id: string; readonly name: string; readonly asksPin: boolean }[];
		/** Who reads at present. */
		readerId: string | null;
		/** Whose digits are asked for. */
		asked: string | null;
		back: string;
		refused: AccountRefused | null;
	}
	let { place, readers, readerId, asked, back, refused }: Props = $props();
	const who = $derived(readers.find((r) => r.id === (refused?.entered.memberId ?? asked) && r.asksPin));
	const here = (id: string) => `/place?reader=${id}&back=${encodeURIComponent(back)}`;
	const TILE =
		'flex min-h-24 w-full items-center justify-center rounded-md border-2 px-4 text-center text-2xl font-semibold';
	const look = (on: boolean) =>
		`${TILE} ${on ? 'border-ink bg-ink text-surface' : 'border-line-strong hover:border-ink'}`;
</script>

<StartFrame about={place}>
	{#if who}
		<h1 class="text-3xl lg:text-4xl">{who.name}, your digits</h1>
		<form method="post" use:enhance={sending} class="mt-6 grid max-w-[20rem] gap-6">
			<Hidden name="memberId" value={who.id} />
			<Hidden name="back" value={back} />
			{#if refused && refused.field !== 'pin'}<Fault text={refused.text} above />{/if}
			<Field
				name="pin"
				type="password"
				inputmode="numeric"
				label="Digits"
				autocomplete="off"
				required
				large
				fault={refused?.field === 'pin' ? refused.text : undefined}
			/>
			<div class="flex flex-wrap items-center gap-6">
				<Button type="submit" kind="primary" size="large">I read</Button>
				<a class="link" href="/place?back={encodeURIComponent(back)}">Somebody else</a>
			</div>
		</form>
	{:else}
		<h1 class="text-3xl lg:text-4xl">Who reads?</h1>
		{#if refused}<div class="mt-4"><Fault text={refused.text} above /></div>{/if}
		<ul class="mt-6 grid gap-4 sm:grid-cols-2">
			{#each readers as reader (reader.id)}
				<li>
					{#if reader.asksPin && reader.id !== readerId}
						<a class={look(false)} href={here(reader.id)}>{reader.name}</a>
					{:else}
						<form method="post" use:enhance={sending}>
							<Hidden name="memberId" value={reader.id} />
							<Hidden name="back" value={back} />
							<Button
								kind="bare"
								type="submit"
								aria-pressed={reader.id === readerId}
								class={look(reader.id === readerId)}>{reader.name}</Button
							>
						</form>
					{/if}
				</li>
			{:else}
				<li class="text-muted">Nobody who reads belongs to this site.</li>
			{/each}
		</ul>
		<form method="post" use:enhance={sending} class="mt-6 flex flex-wrap items-center gap-6">
			<Hidden name="memberId" value="" />
			<Hidden name="back" value={back} />
			{#if readerId}<Button type="submit">Nobody reads now</Button>{/if}
			<a class="link" href={back}>Only look</a>
		</form>
		<p class="small mt-6 text-muted">It is asked again after four hours.</p>
	{/if}
</StartFrame>
