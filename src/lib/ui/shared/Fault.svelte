<script lang="ts">
	import { page } from '$app/state';
	import { sayFault } from '$lib/ui/kit/said-faults.svelte';

	/** One clear sentence: what is wrong, what was kept, what to do. */
	interface Props {
		text: string;
		/** Stands above the page's forms. */
		above?: boolean;
		/** Said because nobody else says it, and so not told to those who listen for what is said. */
		last?: boolean;
	}
	let { text, above = false, last = false }: Props = $props();

	// What has no field of its own on the page is said above all; a form does not say it a second time.
	sayFault(() => (last ? undefined : text));
	const saidAbove = $derived(!above && page.form?.stray === true && page.form.text === text);
</script>

{#if !saidAbove}
	<p role="alert" class="border-l-4 border-warn bg-paper px-4 py-3">
		<strong class="text-warn">Not yet.</strong>
		{text}
	</p>
{/if}
