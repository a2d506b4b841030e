<script lang="ts">
	import type { Preferences } from '$lib/contract/preferences';
	import type { WaterLine } from '$lib/contract/today';
	import { PROFILES, type ProfileId } from '$lib/core/judgement';
	import type { Instant } from '$lib/core/time';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Menu from '$lib/ui/kit/Menu.svelte';
	import { benchDeskOf, outboxOf } from './context';
	import Timers from './Timers.svelte';
	import WatersMark from './WatersMark.svelte';

	interface Props {
		water: {
			readonly id: string;
			readonly name: string;
			readonly netVolumeL: number | null;
			readonly profile: ProfileId | null;
		};
		siblings: readonly { readonly id: string; readonly name: string; readonly site: string }[];
		view: string;
		preferences: Preferences;
		/** Where one comes back to. */
		path: string;
		/** All waters, where the page tells of them; none or one is no list. */
		lines: readonly WaterLine[];
		timeZone: string;
		now: Instant;
	}
	let { water, siblings, view, preferences, path, lines, timeZone, now }: Props = $props();
	const desk = benchDeskOf();
	const outbox = outboxOf();

	const VIEWS = [
		{ id: 'today', name: 'Today' },
		{ id: 'bench', name: 'Bench' },
		{ id: 'trends', name: 'Trends' },
		{ id: 'adjust', name: 'Adjust' },
		{ id: 'shelf', name: 'Shelf' },
		{ id: 'practice', name: 'Practice' },
		{ id: 'log', name: 'Log' }
	];
	const severalSites = $derived(new Set(siblings.map((s) => s.site)).size > 1);
	const about = $derived(
		[
			water.netVolumeL === null ? '' : litresWords(water.netVolumeL),
			water.profile ? PROFILES[water.profile].name.toLowerCase() : ''
		]
			.filter(Boolean)
			.join(', ')
	);
</script>

<header class="border-b bg-paper">
	<div class="mx-auto flex max-w-[80rem] flex-wrap items-stretch gap-x-6 px-4 lg:px-8">
		<a href="/" class="flex items-center py-3 text-xl font-bold tracking-tight">Tevrik</a>
		<div class="flex min-w-0 flex-col justify-center border-l py-2 pl-5">
			{#if siblings.length > 1}
				<Menu title={water.name}>
					{#each siblings as other, i (other.id)}
						{#if severalSites && siblings[i - 1]?.site !== other.site}<li
								class="label border-t px-4 pt-3 pb-1 first:border-0"
							>
								{other.site}
							</li>{/if}
						<li>
							<a class="block px-4 py-2 hover:bg-paper" href="/waters/{other.id}/{view}">{other.name}</a>
						</li>
					{/each}
				</Menu>
			{:else}
				<span class="truncate font-semibold">{water.name}</span>
			{/if}
			<span class="small figures hidden text-muted sm:block">{about}</span>
		</div>
		<nav aria-label="Views" class="order-last -mx-4 flex w-full px-2 sm:order-none sm:mx-0 sm:w-auto sm:px-0">
			{#each VIEWS as { id, name } (id)}
				<a
					href="/waters/{water.id}/{id}"
					aria-current={view === id ? 'page' : undefined}
					class="flex min-h-11 flex-1 items-center justify-center border-b-3 px-1 text-[15px] sm:min-h-15 sm:px-3 sm:text-base {view ===
					id
						? 'border-ink font-semibold'
						: 'border-transparent text-muted hover:text-ink'}">{name}</a
				>
			{/each}
		</nav>
		<div class="ml-auto flex flex-wrap items-center gap-2 py-2" aria-live="off">
			{#if outbox.waiting.length > 0}
				<span class="small border-l-4 border-line-strong pl-2" role="status"
					>{outbox.waiting.length} not on the server yet</span
				>
			{/if}
			{#if outbox.refused.length > 0}
				<a href="/waters/{water.id}/bench" class="small border-l-4 border-warn pl-2 font-semibold"
					>{outbox.refused.length} not taken by the server</a
				>
			{/if}
			<Timers href="/waters/{water.id}/bench" />
			{#if desk.timers.length === 0 && desk.session && view !== 'bench'}
				<a href="/waters/{water.id}/bench" class="link small py-2"
					>{desk.isSession ? 'Session at the bench' : 'Unfinished test'}</a
				>
			{/if}
			{#if lines.length > 1}<WatersMark
					{lines}
					current={water.id}
					units={preferences.units}
					{timeZone}
					{now}
				/>{/if}
			<!-- Beside a session a phone has room for its timers alone; the same choice stands under "Units and habits". -->
			<Menu title="Region" side="right" class="small text-muted {desk.session ? 'max-sm:hidden' : ''}">
				{#snippet without()}
					<li>
						<a class="block px-4 py-2 hover:bg-paper" href="/waters/{water.id}/habits"
							>Numbers, dates, units</a
						>
					</li>
				{/snippet}
				<li class="px-4 py-2 text-ink">
					<form method="post" action="/preferences" class="grid w-60 max-w-full gap-3">
						<Hidden name="back" value={path} />
						{#await import('./RegionFields.svelte') then { default: RegionFields }}
							<RegionFields {preferences} />
						{/await}
						<Button type="submit" class="mt-1">Keep these</Button>
					</form>
				</li>
			</Menu>
		</div>
	</div>
</header>
