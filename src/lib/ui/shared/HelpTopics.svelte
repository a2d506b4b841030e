<script lang="ts">
	import type { ParameterId } from '$lib/core/quantity';
	import type { ReadingForm } from '$lib/core/reading';
	import { helpFor } from '$lib/format/help';

	let { parameter, form }: { parameter: ParameterId; form: ReadingForm | null } = $props();

	const topics = $derived(helpFor(parameter, form));
</script>

<details class="mt-6 max-w-[38rem]">
	<summary class="link inline-block min-h-10">What is behind it</summary>
	<div class="mt-1">
		{#each topics as topic (topic.id)}
			<details class="border-t">
				<summary class="min-h-11 py-2.5">{topic.title}</summary>
				<p class="small pb-3">{topic.text}</p>
			</details>
		{/each}
	</div>
</details>
