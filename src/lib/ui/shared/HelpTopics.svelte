<script lang="ts">
	import type { ParameterId } from '$lib/core/quantity';
	import type { ReadingForm } from '$lib/core/reading';
	import type { HelpTopic } from '$lib/format/help/help';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	let { parameter, form }: { parameter: ParameterId; form: ReadingForm | null } = $props();

	let open = $state(false);
	let topics = $state.raw<readonly HelpTopic[] | null>(null);
	/** The texts come once somebody asks. */
	$effect(() => {
		if (!open) return;
		const about = [parameter, form] as const;
		void import('$lib/format/help/help').then(({ helpFor }) => (topics = helpFor(...about)));
	});
</script>

<Disclosure class="mt-6 max-w-[38rem]" title="What is behind it" look="link min-h-10" bind:open>
	<div class="mt-1">
		{#each topics ?? [] as topic (topic.id)}
			<Disclosure class="border-t" look="min-h-11 py-2.5"
				>{#snippet title()}{topic.title}{/snippet}
				<p class="small pb-3">{topic.text}</p>
			</Disclosure>
		{/each}
	</div>
</Disclosure>
