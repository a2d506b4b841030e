<script lang="ts">
	import type { Instant } from '$lib/core/time';
	import { isSetDay } from '$lib/core/bench';
	import { nameWithin } from '$lib/core/quantity';
	import { setTime } from '$lib/format/bench/test-set';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { ReadySet } from './ready-sets';

	interface Props {
		waterId: string;
		sets: readonly ReadySet[];
		/** Nothing is due: it is the one thing to do. */
		leads: boolean;
		timeZone: string;
		now: Instant;
		onlayout: (set: ReadySet) => void;
	}
	let { waterId, sets, leads, timeZone, now, onlayout }: Props = $props();

	/** The usual one stands first, whatever is due. */
	const [usual, others] = $derived([sets[0] ?? null, sets.slice(1)]);
	const when = ({ set, isMade }: ReadySet) => (set ? setTime(set, now, timeZone, isMade) : '');
	const names = ({ tests }: ReadySet) =>
		[...new Set(tests.map((t) => nameWithin(t.offer.method.parameter)))].join(', ');
	const isToday = $derived(usual?.set && !usual.isMade ? isSetDay(usual.set, now, timeZone) : false);
</script>

{#if usual}
	<section
		aria-label="Your sets of tests"
		class="mt-4 flex flex-wrap items-center gap-3 border-y bg-paper px-4 py-3"
	>
		<span class="min-w-52 grow">
			<strong class="text-lg">{usual.name}</strong>
			<span class="small block text-muted first-letter:uppercase"
				>{names(usual)}{when(usual) ? `; ${isToday ? 'today, ' : ''}${when(usual)}` : ''}</span
			>
		</span>
		<Button kind={leads || isToday ? 'primary' : 'secondary'} size="large" onclick={() => onlayout(usual)}
			>Lay {usual.set ? 'it' : 'them'} out</Button
		>
		{#each others as one (one.name)}
			<Button size="large" onclick={() => onlayout(one)}>{one.name}</Button>
		{/each}
		<a class="link flex min-h-11 items-center" href="/waters/{waterId}/sets"
			>{usual.set ? 'Your sets' : 'Name a set'}</a
		>
	</section>
{/if}
