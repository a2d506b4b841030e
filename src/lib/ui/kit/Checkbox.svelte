<script lang="ts">
	import FlowbiteCheckbox from 'flowbite-svelte/Checkbox.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color' | 'class' | 'children' | 'value'> {
		checked?: boolean | undefined;
		value?: string;
		/** For a wet thumb. */
		large?: boolean;
		/** Of its row. */
		class?: string;
		/** Its words; without them it needs an `aria-label` or a label elsewhere. */
		children?: Snippet;
	}
	let {
		checked = $bindable(false),
		value = 'on',
		large = false,
		class: extra = 'min-h-11 py-2',
		children,
		...rest
	}: Props = $props();
	const own = $props.id();
	const id = $derived(rest.id ?? own);
</script>

{#if children}
	<FlowbiteCheckbox
		{...rest as Record<string, unknown>}
		{id}
		labelProps={{ for: id }}
		{value}
		group={null as never}
		class={large ? 'size-6!' : ''}
		bind:checked
		classes={{ div: extra }}
	>
		<span class="min-w-0">{@render children()}</span>
	</FlowbiteCheckbox>
{:else}
	<FlowbiteCheckbox
		{...rest as Record<string, unknown>}
		{value}
		group={null as never}
		class={large ? 'size-6!' : ''}
		bind:checked
	/>
{/if}
