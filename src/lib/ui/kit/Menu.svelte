<script lang="ts">
	import ChevronDownOutline from 'flowbite-svelte-icons/ChevronDownOutline.svelte';
	import type { Snippet } from 'svelte';

	interface Props {
		/** What opens it. */
		title: string;
		class?: string;
		/** Its edge that stays with what opens it. */
		side?: 'left' | 'right';
		/** List items with links or buttons. */
		children: Snippet;
		/** What stands there before any script has come, where the list itself is not worth sending until it is opened. */
		without?: Snippet;
	}
	let { title, class: extra = '', side = 'left', children, without }: Props = $props();

	let open = $state(false);
	let box: HTMLDetailsElement;
	const entries = () => [...box.querySelectorAll<HTMLElement>('ul a, ul button, ul select, ul input')];

	function outside(event: Event): void {
		if (open && !event.composedPath().includes(box)) open = false;
	}
	function key(event: KeyboardEvent): void {
		const all = entries();
		const at = all.indexOf(document.activeElement as HTMLElement);
		if (event.key === 'Escape' && open) {
			open = false;
			box.querySelector('summary')?.focus();
		} else if (
			(event.key === 'ArrowDown' || event.key === 'ArrowUp') &&
			document.activeElement?.tagName !== 'SELECT'
		) {
			open = true;
			const step = event.key === 'ArrowDown' ? 1 : -1;
			requestAnimationFrame(() => all[(at + step + all.length) % all.length]?.focus());
		} else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<svelte:document onclick={outside} />

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<details class="relative {extra}" bind:open bind:this={box} onkeydown={key}>
	<summary class="flex items-center gap-1 font-semibold">
		<span class="min-w-0 truncate">{title}</span><ChevronDownOutline class="size-4 shrink-0 text-muted" />
	</summary>
	<ul
		class="absolute z-20 mt-1 w-max max-w-[calc(100vw-2rem)] min-w-48 rounded-md border border-line-strong bg-surface py-1 shadow-lg {side ===
		'right'
			? 'right-0'
			: 'left-0'}"
	>
		{#if without && !open}{@render without()}{:else}{@render children()}{/if}
	</ul>
</details>

<style>
	summary {
		list-style: none;
	}
	summary::-webkit-details-marker {
		display: none;
	}
</style>
