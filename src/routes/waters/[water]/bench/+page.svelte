<script lang="ts">
	import { onMount } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import { localStore } from '$lib/client/local-store';
	import type { BenchAnswer } from '$lib/contract/bench';
	import { fromJson } from '$lib/contract/json';
	import BenchView from '$lib/ui/bench/BenchView.svelte';

	let { data } = $props();
	const bench = $derived(fromJson(data.bench));

	const site = $derived(data.siblings.find((s) => s.id === data.water.id)?.site);
	const siblings = $derived(data.siblings.filter((s) => s.site === site && s.id !== data.water.id));

	// The bench without a network needs to know what this person likes.
	onMount(() => void localStore.write('preferences', data.preferences).catch(() => undefined));

	async function askWater(id: string): Promise<BenchAnswer | null> {
		try {
			const response = await fetch(`/api/waters/${id}/bench`);
			const body = (await response.json()) as { value?: BenchAnswer };
			return body.value ?? null;
		} catch {
			return null;
		}
	}
</script>

<svelte:head><title>Bench · {data.water.name} · Tevrik</title></svelte:head>
<BenchView
	waterId={data.water.id}
	{bench}
	{siblings}
	units={data.preferences.units}
	habits={data.preferences}
	timeZone={data.timeZone}
	now={data.now}
	onsaved={invalidateAll}
	asked={data.asked}
	{askWater}
/>
