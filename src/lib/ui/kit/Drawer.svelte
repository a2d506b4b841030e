<script lang="ts">
	import FlowbiteDrawer from 'flowbite-svelte/Drawer.svelte';
	import type { Snippet } from 'svelte';
	import Button from './Button.svelte';
	import { focusBack } from './focus-back';

	interface Props {
		title: string;
		open?: boolean;
		close?: string;
		children: Snippet;
	}
	let { title, open = $bindable(false), close = 'Close', children }: Props = $props();
	const id = $props.id();
</script>

<FlowbiteDrawer
	bind:open
	placement="right"
	dismissable={false}
	aria-labelledby={id}
	transitionParams={{ duration: 0 }}
>
	<h2 {id} {@attach focusBack} class="text-xl">{title}</h2>
	<div class="mt-3">{@render children()}</div>
	<div class="mt-6"><Button onclick={() => (open = false)}>{close}</Button></div>
</FlowbiteDrawer>
