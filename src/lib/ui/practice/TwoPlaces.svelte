<script lang="ts">
	import type { ColourMethod } from '$lib/core/method';
	import { seededRandom } from '$lib/core/numeric';
	import {
		absorbanceOf,
		CLEAR_DAY,
		cssOf,
		lightOfTable,
		lightThrough,
		mixedAbsorbance
	} from '$lib/core/practice';
	import { UNITS } from '$lib/core/quantity';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import { TURNS } from './two-readers';

	let { method }: { method: ColourMethod } = $props();

	const random = seededRandom(clockOf().now() % 2 ** 31);
	/** Somewhere in the row, also between two steps. */
	let part = $state(random());
	const place = $derived(part * (method.colourSteps.length - 1));
	const colour = $derived.by(() => {
		const low = Math.min(method.colourSteps.length - 2, Math.floor(place));
		const [a, b] = [method.colourSteps[low]!, method.colourSteps[low + 1]!].map((s) =>
			absorbanceOf(s.colour.css)
		);
		return cssOf(lightThrough(mixedAbsorbance(a!, b!, place - low), CLEAR_DAY));
	});
	/** Halves of steps: on one, or between two. */
	let answers = $state.raw<readonly number[]>([]);
	const placeWords = (at: number) => {
		const [low, high] = [Math.floor(at), Math.ceil(at)];
		const value = (i: number) => plain(method.colourSteps[i]!.value);
		return low === high ? value(low) : `between ${value(low)} and ${value(high)}`;
	};
	const places = $derived(Array.from({ length: 2 * method.colourSteps.length - 1 }, (_, i) => i / 2));
	function next(): void {
		answers = [];
		part = random();
	}
</script>

<div class="mt-4 grid gap-5 sm:grid-cols-2">
	<svg viewBox="0 0 300 200" class="w-full border" role="img" aria-label="A vial from above, on white">
		<rect width="300" height="200" fill={cssOf(lightOfTable(CLEAR_DAY))} />
		<circle cx="150" cy="100" r="72" fill={colour} stroke="#8a8a8a" stroke-width="3" />
	</svg>
	<div>
		{#if answers.length < 2}
			<p class="text-lg font-semibold">{TURNS[answers.length]}</p>
			<div class="mt-2 flex flex-wrap gap-2">
				{#each places as at (at)}
					<Button kind="choice" onclick={() => (answers = [...answers, at])}>{placeWords(at)}</Button>
				{/each}
			</div>
		{:else}
			<div role="status">
				<dl class="figures grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-lg">
					<dt class="text-muted">Who learns</dt>
					<dd class="font-semibold">{placeWords(answers[0]!)}</dd>
					<dt class="text-muted">The mentor</dt>
					<dd class="font-semibold">{placeWords(answers[1]!)}</dd>
					<dt class="text-muted">It was</dt>
					<dd class="font-semibold">{placeWords(Math.round(place * 2) / 2)} {UNITS[method.unit].symbol}</dd>
				</dl>
			</div>
			<p class="mt-4"><Button kind="primary" onclick={next}>Next vial</Button></p>
		{/if}
	</div>
</div>
