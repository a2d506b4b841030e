<script lang="ts">
	import type { MatterToday } from '$lib/core/judgement/water';
	import { matterWords, type MatterContext } from '$lib/format/judgement/matter';
	import { isWarning } from '$lib/format/judgement/verdict';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	interface Props {
		shown: readonly MatterToday[];
		folded: readonly MatterToday[];
		/** How many dangers stand above already. */
		dangers: number;
		context: MatterContext;
	}
	let { shown, folded, dangers, context }: Props = $props();

	const warns = (m: MatterToday) => m.kind === 'verdict' && isWarning(m.verdict.grade);
</script>

{#snippet one(matter: MatterToday)}
	{@const words = matterWords(matter, context)}
	<li class="border-t py-3">
		<strong class={warns(matter) ? 'text-warn' : ''}>{words.title}</strong>
		<span class="small figures block text-muted"
			>{words.text}
			{#if words.link}<a class="link whitespace-nowrap" href={words.link.href}>{words.link.text}</a>{/if}
			{#if matter.kind === 'verdict' && isWarning(matter.verdict.grade)}
				<a class="link whitespace-nowrap" href="{context.base}/adjust">Put it right</a>
			{/if}</span
		>
	</li>
{/snippet}

<h2 class="label mt-8">What needs a decision</h2>
{#if shown.length === 0}
	<p class="mt-2 border-t py-3 text-muted">{dangers > 0 ? 'Nothing besides.' : 'Nothing at present.'}</p>
{:else}
	<ul class="mt-2" aria-label="What needs a decision">
		{#each shown as matter, i (i)}{@render one(matter)}{/each}
	</ul>
	{#if folded.length > 0}
		<Disclosure class="border-t" look="link min-h-11 py-3"
			>{#snippet title()}{folded.length} more, less pressing{/snippet}
			<ul>
				{#each folded as matter, i (i)}{@render one(matter)}{/each}
			</ul>
		</Disclosure>
	{/if}
{/if}
