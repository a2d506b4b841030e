<script lang="ts">
	import type { ColourMethod } from '$lib/core/method';
	import { pairsKnown, type PairAnswer } from '$lib/core/practice';
	import { plain } from '$lib/format/number';

	interface Props {
		method: ColourMethod;
		answers: readonly PairAnswer[];
	}
	let { method, answers }: Props = $props();

	const steps = $derived(method.colourSteps);
	const known = $derived(
		pairsKnown(
			steps.map((s) => s.colour.css),
			answers
		)
	);
	const WORDS = {
		told: 'told apart',
		'mixed up': 'taken for each other',
		'not yet known': 'not yet known'
	} as const;
</script>

<section class="mt-6" aria-label="Pairs of steps">
	<ul class="border-t">
		{#each known as { pair, asked, right, verdict } (pair)}
			<li class="flex min-h-11 flex-wrap items-center gap-x-4 border-b py-1.5">
				<svg viewBox="0 0 60 20" class="h-5 w-16 border" aria-hidden="true">
					<rect width="30" height="20" fill={steps[pair]!.colour.css} />
					<rect x="30" width="30" height="20" fill={steps[pair + 1]!.colour.css} />
				</svg>
				<span class="figures w-36 font-semibold"
					>{plain(steps[pair]!.value)} and {plain(steps[pair + 1]!.value)}</span
				>
				<span
					class={verdict === 'mixed up' ? 'font-semibold text-warn' : verdict === 'told' ? '' : 'text-muted'}
					>{WORDS[verdict]}</span
				>
				<span class="small figures ml-auto text-muted">{asked > 0 ? `right ${right} of ${asked}` : ''}</span>
			</li>
		{/each}
	</ul>
</section>
