<script lang="ts">
	import { nameWithin, PARAMETERS } from '$lib/core/quantity';
	import { aboutMinutes } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { Chosen } from './chosen';
	import type { ChooseState } from './ChooseState.svelte';

	interface Props {
		choosing: ChooseState;
		waterName: (waterId: string) => string;
		onlayout: (tests: readonly Chosen[]) => void;
		/** What does not fit today is planned for tomorrow. */
		ontomorrow: (tests: readonly Chosen[]) => void;
		/** What is planned for tomorrow, once it is. */
		planned: string | null;
		class: string;
	}
	let { choosing, waterName, onlayout, ontomorrow, planned, class: extra }: Props = $props();

	const { chosen, rest } = $derived(choosing);
	const about = (c: Chosen) => {
		const { standard } = c.choice;
		const of = standard
			? `, ${standard.name}`
			: choosing.waters.length > 1
				? `, ${waterName(c.waterId)}`
				: '';
		return `${PARAMETERS[c.offer.method.parameter].name}${c.times > 1 ? `, ${c.times} times` : ''}${of}`;
	};
</script>

<section aria-labelledby="session" class="border-2 border-ink p-5 {extra}">
	<h2 id="session" class="text-2xl leading-tight">
		{chosen.length === 0
			? 'No test chosen'
			: chosen.length === 1
				? 'One test'
				: `${chosen.length} tests in one session`}
	</h2>
	{#if chosen.length > 0}
		<p class="figures mt-1 text-muted">
			{aboutMinutes(choosing.lengthS)} in all{chosen.length > 1 ? ', laid out for one pair of hands' : ''}.
		</p>
		<ul class="mt-3">
			{#each chosen as c, i (i)}
				<li class="flex justify-between gap-3 border-t py-1.5">
					<span>{about(c)}</span>
					{#if choosing.added.includes(c)}
						<Button kind="text" class="small min-h-8" onclick={() => choosing.leaveOut(c)}>Leave out</Button>
					{/if}
				</li>
			{/each}
		</ul>
		<div class="mt-4">
			<Button
				kind={choosing.offer ? 'secondary' : 'primary'}
				size="large"
				class="w-full"
				onclick={() => onlayout(chosen)}
				>Lay out {chosen.length === 1 ? 'this test' : `these ${chosen.length} tests`}</Button
			>
		</div>
	{:else}
		<p class="mt-1 text-muted">Tick what you want to test, or choose any test from the list.</p>
	{/if}
	{#if rest.length > 0}
		<p class="mt-3">
			<Button kind="text" class="min-h-11" onclick={() => ontomorrow(rest)}
				>The rest tomorrow ({rest.map((r) => nameWithin(r.offer.method.parameter)).join(', ')})</Button
			>
		</p>
	{/if}
	{#if planned}<p class="small mt-2" role="status">{planned}</p>{/if}
</section>
