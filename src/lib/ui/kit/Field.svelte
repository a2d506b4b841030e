<script lang="ts">
	import Input from 'flowbite-svelte/Input.svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';
	import { understood as understoodAs } from '$lib/format/typed';
	import FieldFrame from './FieldFrame.svelte';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color' | 'class' | 'value'> {
		label: string;
		bare?: boolean;
		quiet?: boolean;
		large?: boolean;
		value?: string | undefined;
		unit?: string;
		help?: string;
		understood?: string;
		fault?: string | undefined;
		/** Of the whole field, such as its width. */
		class?: string;
	}
	let {
		label,
		bare = false,
		quiet = false,
		large = false,
		value = $bindable(),
		unit = '',
		help = '',
		understood = '',
		fault,
		class: extra = '',
		...rest
	}: Props = $props();

	/** A number says again what could be meant otherwise. */
	const said = $derived(understood || (rest.inputmode === 'decimal' ? understoodAs(value ?? '') : ''));
</script>

<FieldFrame {label} {bare} {quiet} {large} {unit} {help} understood={said} {fault} class={extra}>
	{#snippet children({ class: look, ...control })}
		<Input {...rest as Record<string, unknown>} {...control} bind:value class="figures min-w-0 {look}" />
	{/snippet}
</FieldFrame>
