<script lang="ts">
	import ChevronRightOutline from 'flowbite-svelte-icons/ChevronRightOutline.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLDetailsAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLDetailsAttributes, 'class' | 'children' | 'title' | 'open'> {
		/** What opens it. */
		title: string | Snippet;
		open?: boolean | undefined;
		class?: string;
		/** Of what opens it. */
		look?: string;
		children: Snippet;
	}
	let {
		title,
		open = $bindable(false),
		class: extra = '',
		look = 'min-h-10 py-1.5',
		children,
		...rest
	}: Props = $props();
</script>

<!-- The platform's own: it opens before any script has come, and is found by a search of the page. -->
<details {...rest} bind:open class="disclosure {extra}">
	<summary class="flex items-center gap-1 {look}">
		<ChevronRightOutline class="mark size-4 shrink-0 text-muted" />
		<span class="min-w-0"
			>{#if typeof title === 'string'}{title}{:else}{@render title()}{/if}</span
		>
	</summary>
	{@render children()}
</details>

<style>
	summary {
		list-style: none;
	}
	summary::-webkit-details-marker {
		display: none;
	}
	.disclosure[open] > summary :global(.mark) {
		transform: rotate(90deg);
	}
</style>
