<script lang="ts">
	import { THEMES, type Preferences } from '$lib/contract/preferences';
	import { PARAMETERS, UNITS } from '$lib/core/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { outboxOf } from './context';

	interface Props {
		preferences: Preferences;
		waterId: string;
		path: string;
		/** Who is signed in by an account; null in the demo, where nobody has one. */
		account: string | null;
		isDemo: boolean;
		/** On the device of a place. */
		atPlace: boolean;
	}
	let { preferences, waterId, path, account, isDemo, atPlace }: Props = $props();
	const outbox = outboxOf();
	/** What is not on the server yet would be lost with the browser's own store. */
	const kept = $derived(outbox.waiting.length + outbox.refused.length);

	const THEME_NAMES = { system: 'as the system', light: 'light', dark: 'after lights-out' } as const;
	const look = (chosen: boolean) =>
		`min-h-10 px-2 ${chosen ? 'font-semibold text-ink underline decoration-2 underline-offset-4' : 'text-muted hover:text-ink'}`;
</script>

<footer class="border-t bg-paper">
	<form
		method="post"
		action="/preferences"
		class="small mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-6 gap-y-1 px-4 py-2 lg:px-8"
	>
		<Hidden name="back" value={path} />
		<div role="group" aria-label="Theme" class="flex flex-wrap items-center">
			<span class="pr-1 text-muted">Screen</span>
			{#each THEMES as theme (theme)}
				<Button
					kind="bare"
					type="submit"
					name="theme"
					value={theme}
					pressed={preferences.theme === theme}
					class={look(preferences.theme === theme)}>{THEME_NAMES[theme]}</Button
				>
			{/each}
		</div>
		<div role="group" aria-label="Unit of alkalinity" class="flex flex-wrap items-center">
			<span class="pr-1 text-muted">Alkalinity in</span>
			{#each PARAMETERS.alkalinity.units as unit (unit)}
				<Button
					kind="bare"
					type="submit"
					name="alkalinity"
					value={unit}
					pressed={preferences.units.alkalinity === unit}
					class={look(preferences.units.alkalinity === unit)}>{UNITS[unit].symbol}</Button
				>
			{/each}
		</div>
		<a href="/waters/{waterId}/waters" class="link flex min-h-10 items-center">Waters</a>
		<a href="/waters/{waterId}/targets" class="link flex min-h-10 items-center">Targets</a>
		<a href="/waters/{waterId}/people" class="link flex min-h-10 items-center">People</a>
		<a href="/waters/{waterId}/round" class="link flex min-h-10 items-center">Round</a>
		<a href="/waters/{waterId}/sheet" class="link flex min-h-10 items-center">Sheet for a visitor</a>
		<a href="/waters/{waterId}/guests" class="link flex min-h-10 items-center">A stranger’s bottle</a>
		<a href="/waters/{waterId}/purified" class="link flex min-h-10 items-center">Purified water</a>
		<a href="/waters/{waterId}/methods" class="link flex min-h-10 items-center">Methods</a>
		<a href="/waters/{waterId}/habits" class="link flex min-h-10 items-center">Units and habits</a>
		<a href="/waters/{waterId}/help" class="link flex min-h-10 items-center">Help and shortcuts</a>
		{#if !account}
			{#if !atPlace}<a href="/begin" class="link flex min-h-10 items-center">Begin with your own</a>{/if}
			<a href="/sign-in" class="link ml-auto flex min-h-10 items-center"
				>{atPlace ? 'Sign in as yourself' : 'Sign in as somebody else'}</a
			>
		{:else}
			{#if !isDemo}<a href="/house" class="link flex min-h-10 items-center">Phone at the tank</a>{/if}
			<span class="ml-auto flex items-center gap-3 text-muted">
				<a href="/account" class="link flex min-h-10 items-center">{account}</a>
				{#if kept > 0}
					<span
						>{kept}
						{kept === 1 ? 'reading is' : 'readings are'} not on the server yet; sign out when they are.</span
					>
				{:else}
					<Button kind="text" type="submit" formaction="/sign-out" class="min-h-10">Sign out</Button>
				{/if}
			</span>
		{/if}
	</form>
</footer>
