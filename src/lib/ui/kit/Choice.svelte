<script lang="ts" module>
	export interface Item {
		readonly value: string;
		readonly name: string;
	}
</script>

<script lang="ts">
	import Select from 'flowbite-svelte/Select.svelte';
	import type { HTMLSelectAttributes } from 'svelte/elements';
	import FieldFrame from './FieldFrame.svelte';

	interface Props extends Omit<
		HTMLSelectAttributes,
		'size' | 'color' | 'class' | 'value' | 'onchange' | 'children'
	> {
		label: string;
		bare?: boolean;
		quiet?: boolean;
		large?: boolean;
		items: readonly Item[];
		value?: string | undefined;
		help?: string;
		fault?: string | undefined;
		class?: string;
		/** Given what was picked; the form around it, if any, with it. */
		onpick?: (value: string, form: HTMLFormElement | null) => void;
	}
	let {
		label,
		bare = false,
		quiet = false,
		large = false,
		items,
		value = $bindable(items[0]?.value ?? ''),
		help = '',
		fault,
		class: extra = '',
		onpick,
		...rest
	}: Props = $props();
</script>

<FieldFrame {label} {bare} {quiet} {large} {help} {fault} class={extra}>
	{#snippet children({ class: look, ...control })}
		<Select
			{...rest as Record<string, unknown>}
			{...control}
			bind:value
			placeholder=""
			items={[...items]}
			classes={{ select: look }}
			{...onpick
				? {
						onchange: (e: Event & { currentTarget: HTMLSelectElement }) =>
							onpick(e.currentTarget.value, e.currentTarget.form)
					}
				: {}}
		/>
	{/snippet}
</FieldFrame>
