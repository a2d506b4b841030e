<script lang="ts">
	import Textarea from 'flowbite-svelte/Textarea.svelte';
	import type { HTMLTextareaAttributes } from 'svelte/elements';
	import FieldFrame from './FieldFrame.svelte';

	interface Props extends Omit<HTMLTextareaAttributes, 'class' | 'value' | 'children'> {
		label: string;
		bare?: boolean;
		quiet?: boolean;
		value?: string | undefined;
		help?: string;
		fault?: string | undefined;
		class?: string;
		/** Of the text in it, such as figures under each other. */
		look?: string;
	}
	let {
		label,
		bare = false,
		quiet = false,
		value = $bindable(''),
		help = '',
		fault,
		class: extra = '',
		look: own = '',
		...rest
	}: Props = $props();
</script>

<FieldFrame {label} {bare} {quiet} {help} {fault} class={extra}>
	{#snippet children({ class: look, ...control })}
		<Textarea {...rest as Record<string, unknown>} {...control} bind:value class="py-2 {look} {own}" />
	{/snippet}
</FieldFrame>
