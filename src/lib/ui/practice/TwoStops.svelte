<script lang="ts">
	import { untrack } from 'svelte';
	import { titrationsOf, type Method } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import { CLEAR_DAY } from '$lib/core/practice';
	import { dropsApartWords, dropsOffWords } from '$lib/format/practice/practice';
	import { approachVial } from '$lib/ui/instrument/vial/approach-vial';
	import DropHand from '$lib/ui/instrument/vial/DropHand.svelte';
	import VialStage from '$lib/ui/instrument/vial/VialStage.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import { TURNS } from './two-readers';

	interface Props {
		method: Method;
		which: 0 | 1;
	}
	let { method, which }: Props = $props();

	const random = seededRandom(clockOf().now() % 2 ** 31);
	const fresh = () => approachVial(random, method, which, CLEAR_DAY);
	// Made by chance, so made once.
	let sim = $state.raw(untrack(fresh));
	/** How far from the change each stopped, drops. */
	let stops = $state.raw<readonly number[]>([]);
	/** Somebody has the device in hand; between two of them nothing of the first stop is in view. */
	let inHand = $state(false);
	const { colours } = $derived(titrationsOf(method)[which]!);

	function stop(): void {
		stops = [...stops, sim.errorDrops];
		inHand = false;
		sim.again();
	}
	function next(): void {
		sim = fresh();
		stops = [];
		inHand = true;
	}
</script>

{#if stops.length < 2 && !inHand}
	<div class="mt-4" role="status">
		<p class="text-lg font-semibold">{TURNS[stops.length]}</p>
		<p class="text-muted">
			{stops.length === 0
				? 'A vial shortly before its change; where each stopped is told once both have.'
				: 'The same vial begins once more. Where the first stopped is told after this.'}
		</p>
		<p class="mt-3">
			<Button kind="primary" size="large" onclick={() => (inHand = true)}>I have it in hand</Button>
		</p>
	</div>
{:else if stops.length < 2}
	<div class="mt-4 grid items-center gap-5 sm:grid-cols-2">
		<VialStage {sim} />
		<div>
			<p class="text-lg font-semibold">{TURNS[stops.length]}</p>
			<p class="text-muted">Stop at the first full {colours.end.name}.</p>
			<p class="figures mt-5 text-5xl leading-none font-bold" aria-live="polite">
				{sim.drops} <span class="text-2xl font-semibold text-muted">drops</span>
			</p>
			<DropHand {sim} onstop={stop} />
		</div>
	</div>
{:else}
	<div class="mt-4" role="status">
		<dl class="figures grid max-w-[30rem] grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-lg">
			<dt class="text-muted">Who learns</dt>
			<dd class="font-semibold">{dropsOffWords(stops[0]!)}</dd>
			<dt class="text-muted">The mentor</dt>
			<dd class="font-semibold">{dropsOffWords(stops[1]!)}</dd>
			<dt class="text-muted">Apart</dt>
			<dd class="font-semibold">{dropsApartWords(stops[0]! - stops[1]!)}</dd>
		</dl>
		<p class="mt-4"><Button kind="primary" onclick={next}>Next vial</Button></p>
	</div>
{/if}
