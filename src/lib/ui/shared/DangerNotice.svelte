<script lang="ts">
	import type { MatterToday } from '$lib/contract/today';
	import { matterWords, type MatterContext } from '$lib/format/matter';

	interface Props {
		dangers: readonly MatterToday[];
		context: MatterContext;
	}
	let { dangers, context }: Props = $props();
</script>

{#if dangers.length > 0}
	<section aria-label="Danger to animals" class="border-b-2 border-warn bg-surface px-4 py-3 lg:px-8">
		<p class="label text-warn">Danger to animals</p>
		<ul class="grid gap-1">
			{#each dangers as matter, i (i)}
				{@const words = matterWords(matter, context)}
				<li>
					<strong class="block text-lg text-warn">{words.title}</strong>
					<span class="small">{words.text}</span>
					{#if matter.kind === 'verdict'}<a class="link small whitespace-nowrap" href="{context.base}/adjust"
							>Put it right</a
						>{/if}
					{#if words.link}<a class="link small whitespace-nowrap" href={words.link.href}>{words.link.text}</a
						>{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
