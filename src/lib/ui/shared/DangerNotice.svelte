<script lang="ts">
	import type { MatterWords } from '$lib/format/judgement/matter';

	interface Props {
		/** Null where the water could not be judged. */
		dangers: readonly MatterWords[] | null;
		waterId: string;
	}
	let { dangers, waterId }: Props = $props();

	const unknown: MatterWords = $derived({
		title: 'Whether the animals are in danger is not known.',
		text: 'What was read of this water cannot be reckoned with.',
		link: { href: `/waters/${waterId}/log`, text: 'Look at its log' }
	});
	const told = $derived(dangers ?? [unknown]);
</script>

{#if told.length > 0}
	<section aria-label="Danger to animals" class="border-b-2 border-warn bg-surface px-4 py-3 lg:px-8">
		<p class="label text-warn">Danger to animals</p>
		<ul class="grid gap-1">
			{#each told as { title, text, link }, i (i)}
				<li>
					<strong class="block text-lg text-warn">{title}</strong>
					<span class="small">{text}</span>
					{#if link}<a class="link small whitespace-nowrap" href={link.href}>{link.text}</a>{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
