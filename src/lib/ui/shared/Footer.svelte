<script lang="ts">
	import { THEMES, type Preferences } from '$lib/contract/preferences';
	import { PARAMETERS, UNITS } from '$lib/core/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';

	let { preferences, waterId, path }: { preferences: Preferences; waterId: string; path: string } = $props();

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
		<a href="/waters/{waterId}/targets" class="link flex min-h-10 items-center">Targets</a>
		<a href="/waters/{waterId}/methods" class="link flex min-h-10 items-center">Methods</a>
		<a href="/waters/{waterId}/habits" class="link flex min-h-10 items-center">Units and habits</a>
		<a href="/waters/{waterId}/help" class="link flex min-h-10 items-center">Help and shortcuts</a>
	</form>
</footer>
