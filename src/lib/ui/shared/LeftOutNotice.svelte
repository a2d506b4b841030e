<script lang="ts">
	import type { LeftOut } from '$lib/core/judgement/water';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { leftOutWords } from '$lib/format/judgement/left-out';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	interface Props {
		leftOut: readonly LeftOut[];
		waterId: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { leftOut, waterId, units, timeZone, now }: Props = $props();

	const MOST = 3;
	const told = $derived(leftOut.map((l) => leftOutWords(l, `/waters/${waterId}`, units, timeZone, now)));
</script>

{#snippet line({ text, href, link }: (typeof told)[number])}
	<li class="border-l-4 border-warn py-1 pl-3">
		{text} <a class="link whitespace-nowrap" {href}>{link}</a>
	</li>
{/snippet}

{#if told.length > 0}
	<section aria-label="Left out of all reckoning" class="border-b bg-surface px-4 py-3 lg:px-8">
		<ul class="grid gap-1">
			{#each told.slice(0, MOST) as one, i (i)}{@render line(one)}{/each}
		</ul>
		{#if told.length > MOST}
			<Disclosure look="link small py-2"
				>{#snippet title()}{told.length - MOST} more that are left out{/snippet}
				<ul class="grid gap-1">
					{#each told.slice(MOST) as one, i (i)}{@render line(one)}{/each}
				</ul>
			</Disclosure>
		{/if}
	</section>
{/if}
