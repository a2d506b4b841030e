<script lang="ts">
	import type { Snippet } from 'svelte';
	import { goto, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { intoLitres } from '$lib/contract/in-litres';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		/**
		 * Told of every change, with what the form asks now; volumes in litres. Left out where only the server can answer:
		 * it is asked once the hand rests.
		 */
		onask?: (asked: URLSearchParams) => void;
		class?: string;
		children: Snippet;
	}
	let { onask, class: extra = '', children }: Props = $props();

	/** How long the hand rests before the address follows, ms. */
	const ADDRESS_MS = 500;
	let rest: ReturnType<typeof setTimeout> | undefined;

	function asks(form: HTMLFormElement): void {
		const fields = new FormData(form);
		const typed = new URLSearchParams(
			[...fields].map(([key, value]) => [key, String(value)]).filter(([, value]) => value !== '')
		);
		clearTimeout(rest);
		// What was asked can be kept, sent and come back to, in the units in which it was typed.
		rest = setTimeout(() => {
			if (onask) replaceState(`?${typed}`, page.state);
			else void goto(`?${typed}`, { replaceState: true, keepFocus: true, noScroll: true });
		}, ADDRESS_MS);
		if (!onask) return;
		const asked = new URLSearchParams(typed);
		intoLitres(asked);
		onask(asked);
	}
	$effect(() => () => clearTimeout(rest));
</script>

<!-- It answers while one types; without scripts it is asked by a press. -->
<form
	method="get"
	class={extra}
	oninput={(e) => asks(e.currentTarget)}
	onchange={(e) => asks(e.currentTarget)}
	onsubmit={(e) => {
		e.preventDefault();
		asks(e.currentTarget);
	}}
>
	{@render children()}
	<noscript><Button type="submit">Show it</Button></noscript>
	<!-- Enter in a field asks too. -->
	<Button type="submit" hidden>Show it</Button>
</form>
