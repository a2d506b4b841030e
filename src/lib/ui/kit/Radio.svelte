<script lang="ts">
	import FlowbiteRadio from 'flowbite-svelte/Radio.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<
		HTMLInputAttributes,
		'size' | 'color' | 'class' | 'children' | 'value' | 'group' | 'checked'
	> {
		value: string;
		/** What is chosen of all that share it. */
		chosen?: string | undefined;
		class?: string;
		children: Snippet;
	}
	let { value, chosen = $bindable(), class: extra = 'min-h-11 py-2', children, ...rest }: Props = $props();
</script>

<FlowbiteRadio {...rest as Record<string, unknown>} {value} bind:group={chosen} classes={{ label: extra }}>
	<span class="min-w-0">{@render children()}</span>
</FlowbiteRadio>
