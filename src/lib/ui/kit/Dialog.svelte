<script lang="ts">
	import Modal from 'flowbite-svelte/Modal.svelte';
	import type { Snippet } from 'svelte';
	import Button from './Button.svelte';
	import { focusBack } from './focus-back';

	interface Props {
		/** What is asked or told. */
		title: string;
		open?: boolean;
		/** What closes it and changes nothing. */
		close?: string;
		children: Snippet;
		/** The buttons that do something, before the one that closes. */
		actions?: Snippet;
	}
	let { title, open = $bindable(false), close = 'Close', children, actions }: Props = $props();
	const id = $props.id();
</script>

<Modal bind:open dismissable={false} aria-labelledby={id} transitionParams={{ duration: 0 }}>
	<h2 {id} {@attach focusBack} class="text-xl">{title}</h2>
	<div class="mt-2">{@render children()}</div>
	<div class="mt-6 flex flex-wrap gap-3">
		{@render actions?.()}
		<Button kind={actions ? 'quiet' : 'secondary'} onclick={() => (open = false)}>{close}</Button>
	</div>
</Modal>
