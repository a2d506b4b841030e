<script lang="ts">
	import { onDestroy } from 'svelte';
	import type { BenchAnswer } from '$lib/contract/bench';
	import { besideAmmonia } from '$lib/core/judgement';
	import type { Method } from '$lib/core/method';
	import type { RawReading } from '$lib/core/reading';
	import type { SimulatedInterval } from '$lib/core/uncertainty';
	import { plain } from '$lib/format/number';
	import { simulateInWorker } from '$lib/workers/simulation.client';
	import type { SimulationRequest } from '$lib/workers/simulation.protocol';

	interface Props {
		method: Method;
		reading: RawReading;
		before: BenchAnswer['before'];
	}
	let { method, reading, before }: Props = $props();

	const DRAWS = 100_000;
	const SEED = 17;
	let found = $state.raw<SimulatedInterval | null>(null);
	let failed = $state(false);
	const stop = new AbortController();
	onDestroy(() => stop.abort());

	const request = $derived<SimulationRequest>({
		method,
		reading,
		which: 0,
		freeAmmonia: besideAmmonia(before),
		draws: DRAWS,
		seed: SEED
	});
	const asked = $derived(JSON.stringify(request));
	const missing = $derived(
		(['ph', 'temperature', 'salinity'] as const).filter((p) => !before[p]).map((p) => (p === 'ph' ? 'pH' : p))
	);
	$effect(() => {
		const plainRequest = JSON.parse(asked) as SimulationRequest;
		let current = true;
		simulateInWorker(plainRequest, stop.signal, () => undefined)
			.then((interval) => {
				if (current) found = interval;
			})
			.catch((error: Error) => {
				if (error.name !== 'AbortError') failed = true;
			});
		return () => (current = false);
	});
	const two = (x: number) => plain(Number(x.toPrecision(2)));
</script>

{#if found}
	<p class="figures mt-3 max-w-[36rem]" role="status">
		Of it un-ionised, the form that harms: <strong>{two(found.lower)} to {two(found.upper)} mg/L NH₃</strong>.
		{#if missing.length > 0}
			<span class="text-muted"
				>{missing.join(', ')}
				{missing.length === 1 ? 'was' : 'were'} not read lately and {missing.length === 1 ? 'is' : 'are'} taken
				as widely as is plausible.</span
			>
		{/if}
		<span class="text-muted">It rises steeply with pH: keep pH from rising while there is ammonia.</span>
	</p>
{:else if failed}
	<p class="mt-3 max-w-[36rem] font-semibold text-warn">
		This browser could not reckon how much of it is un-ionised, the form that harms. At pH 8 and more any
		ammonia found is too much.
	</p>
{/if}
