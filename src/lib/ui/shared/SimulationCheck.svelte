<script lang="ts">
	import { onDestroy } from 'svelte';
	import type { UnitId } from '$lib/core/quantity';
	import { convert, PARAMETERS } from '$lib/core/quantity';
	import { boundsOf, type TestResult } from '$lib/core/reading';
	import type { SimulatedInterval } from '$lib/core/uncertainty';
	import { grouped, percent, plain } from '$lib/format/number';
	import { symbolAfter } from '$lib/format/quantity';
	import { simulateInWorker } from '$lib/workers/simulation.client';
	import type { SimulationRequest } from '$lib/workers/simulation.protocol';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		request: Omit<SimulationRequest, 'draws' | 'seed' | 'freeAmmonia'>;
		result: TestResult;
		unit: UnitId;
	}
	let { request, result, unit }: Props = $props();

	const DRAWS = 200_000;
	const SEED = 2026;
	let share = $state<number | null>(null);
	let found = $state.raw<SimulatedInterval | null>(null);
	let failed = $state('');
	let stop: AbortController | null = null;

	onDestroy(() => stop?.abort());

	const three = (x: number) =>
		plain(Number(convert(x, PARAMETERS[result.parameter].canonicalUnit, unit).toPrecision(3)));
	const reckoned = $derived(boundsOf(result));

	async function run(): Promise<void> {
		stop = new AbortController();
		share = 0;
		failed = '';
		try {
			found = await simulateInWorker(
				// Proxies do not cross into a worker; plain data does.
				JSON.parse(
					JSON.stringify({ ...request, freeAmmonia: null, draws: DRAWS, seed: SEED })
				) as SimulationRequest,
				stop.signal,
				(s) => (share = s)
			);
		} catch (error) {
			if ((error as Error).name !== 'AbortError') failed = 'The simulation could not run in this browser.';
		}
		share = null;
	}
</script>

<div class="small mt-3 border-t pt-2">
	{#if share !== null}
		<p class="figures flex flex-wrap items-center gap-x-4">
			<span role="status">Drawing, {percent(share)} done</span>
			<Button kind="text" class="min-h-10" onclick={() => stop?.abort()}>Stop</Button>
		</p>
	{:else if found}
		<p class="figures">
			By {grouped(found.draws)} simulated tests the true value lies between
			<strong>{three(found.lower)} and {three(found.upper)}{symbolAfter(unit)}</strong>
			19 times out of 20; the interval above says {three(reckoned.lower)} to {three(
				reckoned.upper ?? reckoned.lower
			)}.
		</p>
	{:else}
		<Button kind="text" class="min-h-10" onclick={run}>Check the interval by simulation</Button>
	{/if}
	{#if failed}<p role="alert" class="font-semibold text-warn">{failed}</p>{/if}
</div>
