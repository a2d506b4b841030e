<script lang="ts">
	import A from 'flowbite-svelte/A.svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLAnchorAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLAnchorAttributes, 'children' | 'class' | 'color' | 'type'> {
		href: string;
		class?: string;
		children: Snippet;
	}
	let { href, class: extra = '', children, ...rest }: Props = $props();
</script>

<A {href} {...rest as Record<string, unknown>} class={extra}>{@render children()}</A>
