<script lang="ts">
	import { flushSync, getAllContexts, hydrate, onMount, unmount, untrack, type Snippet } from 'svelte';
	import { render } from 'svelte/server';
	import { browser } from '$app/environment';
	import Filled from './Filled.svelte';
	import { beginLater, isWritten } from './late-start';

	interface Props {
		tag?: 'div' | 'li';
		/** Without it the element leaves no trace in the layout. */
		class?: string;
		/** Nothing for the page's head: what is written late comes too late for it. */
		children: Snippet;
	}
	/** A part that begins to answer in a task of its own, after the page. */
	let { tag = 'div', class: look = 'contents', children }: Props = $props();

	const id = $props.id();
	const context = getAllContexts();
	const written = !browser || isWritten();
	/** The server's own words; here they stand in the page already, and any text says that they stay. */
	const words = untrack(() => {
		if (browser) return ' ';
		const { body } = render(Filled, { props: { children }, context, idPrefix: `late-${id}` });
		return `<${tag} class="${look}" data-late="${id}">${body}</${tag}>`;
	});

	onMount(() => {
		const place = written ? document.querySelector(`[data-late="${id}"]`) : null;
		if (!place) return;
		let part: Record<string, unknown> | null = null;
		const leave = beginLater(place, () => {
			part = hydrate(Filled, { target: place, props: { children }, context });
			// Parts within it stand in line before anything is said to answer.
			flushSync();
		});
		return () => {
			leave();
			if (part) void unmount(part);
		};
	});
</script>

{#if written}
	<!-- Made of our own parts by the framework itself: nothing in it is anybody's text as it came. -->
	<!-- eslint-disable-next-line svelte/no-at-html-tags -->
	{@html words}
{:else}
	<svelte:element this={tag} class={look}>{@render children()}</svelte:element>
{/if}
