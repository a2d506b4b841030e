<script lang="ts">
	import Toggle from 'flowbite-svelte/Toggle.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color' | 'class' | 'children' | 'value'> {
		checked?: boolean;
		value?: string;
		class?: string;
		children: Snippet;
	}
	let {
		checked = $bindable(false),
		value = 'on',
		class: extra = 'min-h-11',
		children,
		...rest
	}: Props = $props();
</script>

<Toggle {...rest as Record<string, unknown>} role="switch" {value} bind:checked class={extra}>
	<span class="min-w-0">{@render children()}</span>
</Toggle>
