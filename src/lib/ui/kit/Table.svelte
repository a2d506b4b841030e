<script lang="ts">
	import FlowbiteTable from 'flowbite-svelte/Table.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLTableAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLTableAttributes, 'border' | 'class' | 'children'> {
		/** It may be wider than a phone: then it is moved by itself, with a finger or with the arrow keys, under this name. */
		wide?: string;
		class?: string;
		/** Head and body as they are: a component for each cell would be slow on the server. */
		children: Snippet;
	}
	let { wide = '', class: extra = '', children, ...rest }: Props = $props();
</script>

{#snippet table()}
	<FlowbiteTable {...rest as Record<string, unknown>} border={false} class={extra}>
		{@render children()}
	</FlowbiteTable>
{/snippet}

{#if wide}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div role="region" aria-label={wide} tabindex="0" class="overflow-x-auto">{@render table()}</div>
{:else}
	{@render table()}
{/if}
