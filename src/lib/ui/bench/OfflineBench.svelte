<script lang="ts">
	import { onMount } from 'svelte';
	import { page } from '$app/state';
	import { localStore } from '$lib/client/local-store';
	import { readPreferences, type Preferences } from '$lib/contract/preferences';
	import type { Instant } from '$lib/core/time';
	import { readBy } from '$lib/format/reader';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { KeptWater } from '$lib/ui/shared/bench-session';
	import { benchDeskOf, outboxOf } from '$lib/ui/shared/context';
	import Timers from '$lib/ui/shared/Timers.svelte';
	// Brought along, they belong to what is kept for a bench without a network.
	import * as screens from './all-screens';
	import BenchView from './BenchView.svelte';

	/** How often it is tried whether the server is back. */
	const LOOK_MS = 5000;

	const desk = benchDeskOf();
	const outbox = outboxOf();
	let kept = $state.raw<KeptWater | null>(null);
	let waterId = $state('');
	let preferences = $state.raw<Preferences>(readPreferences(undefined));
	let ready = $state(false);
	let back = $state(false);

	onMount(() => {
		void (async () => {
			const asked = page.url.searchParams.get('water') ?? new URL(location.href).searchParams.get('water');
			waterId = asked ?? desk.session?.waterId ?? '';
			kept = await localStore.read<KeptWater>(`water:${waterId}`).catch(() => null);
			preferences =
				// What an older program kept lacks what was asked for since.
				{
					...readPreferences(undefined),
					...(await localStore.read<Preferences>('preferences').catch(() => null))
				};
			readBy(() => preferences.reader);
			ready = true;
		})();
		const look = async () => {
			// Not a GET: those of our own files are answered from what is kept here.
			back = await fetch('/offline', { method: 'HEAD', cache: 'no-store' }).then(
				(r) => r.ok,
				() => false
			);
			if (back) await outbox.flush();
		};
		const looking = setInterval(() => void look(), LOOK_MS);
		return () => clearInterval(looking);
	});
</script>

<div class="frame">
	<header class="border-b bg-paper">
		<div class="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-6 gap-y-1 px-4 py-3 lg:px-8">
			<span class="text-xl font-bold tracking-tight">Tevrik</span>
			<span class="font-semibold">{kept?.bench.waterName ?? 'Bench'}</span>
			<span class="small text-muted" role="status"
				>{back
					? 'The server is back.'
					: 'The server is away. The bench works all the same; what you read is kept here and sent later.'}</span
			>
			{#if outbox.waiting.length > 0}<span class="small">{outbox.waiting.length} not on the server yet</span
				>{/if}
			{#if back}<Button href={waterId ? `/waters/${waterId}/bench` : '/'} data-sveltekit-reload
					>Go on there</Button
				>{/if}
			<span class="ml-auto flex flex-wrap gap-2">
				<Timers href={null} />
			</span>
		</div>
	</header>
	{#if !ready}
		<main class="page text-muted">Looking for what this device kept …</main>
	{:else if kept}
		<BenchView
			{screens}
			{waterId}
			bench={kept.bench}
			siblings={[]}
			units={preferences.units}
			habits={preferences}
			timeZone={kept.timeZone}
			now={desk.now as Instant}
			onsaved={() => Promise.resolve()}
			asked={{ method: null, kit: null, standard: null }}
			askWater={() => Promise.resolve(null)}
		/>
	{:else}
		<main class="page">
			<h1 class="text-3xl">The server is away</h1>
			<p class="mt-3 max-w-[34rem] text-lg text-muted">
				This device has not kept the bench of this water yet. Open the bench once while the server is there;
				from then on it works without a network.
			</p>
		</main>
	{/if}
</div>
