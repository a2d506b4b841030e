<script lang="ts">
	import { onMount, tick } from 'svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		/** Told as soon as it is seen: it is never shown twice. */
		onseen: () => void;
	}
	let { onseen }: Props = $props();

	/** What is pointed at, found where it stands; a stop whose place is not on the page is told without one. */
	const STOPS = [
		{
			at: '.today .first',
			title: 'What needs doing, first',
			text: 'One thing to do, with its steps; below it what matters next and when to test again. Everything here is made up: press whatever you like.'
		},
		{
			at: '.today .now li',
			title: 'Each value with its doubt',
			text: 'Grey is what is wanted. The lens is where the value lies in 19 of 20 cases, its tail where it will be in a week. Press a row for its why.'
		},
		{
			at: 'header nav',
			title: 'From the sink to the decision',
			text: 'Bench leads through a test step by step. Trends shows what moved together. Adjust says what to add, how fast, and what else moves. Shelf and Log keep the rest.'
		},
		{
			at: '.today .ask',
			title: 'Ask where you wonder',
			text: 'A ? explains what it stands beside. When you want your own water: Begin with your own, at the foot of the page.'
		}
	] as const;

	let at = $state(0);
	let over = $state(false);
	let card: HTMLElement | undefined = $state();
	const stop = $derived(STOPS[at]!);
	const GAP_PX = 12;
	const MARK = 'toured';

	function unmark(): void {
		for (const marked of document.querySelectorAll(`.${MARK}`)) marked.classList.remove(MARK);
	}
	/** Beside what it is about, under it where there is room, else above it. */
	function place(): void {
		unmark();
		const target = document.querySelector(stop.at);
		if (!card || !target) return;
		target.classList.add(MARK);
		target.scrollIntoView({ block: 'nearest' });
		const box = target.getBoundingClientRect();
		const own = card.getBoundingClientRect();
		const isTall = box.height > window.innerHeight / 2;
		const left = isTall && window.innerWidth > 900 ? box.right + GAP_PX : box.left;
		const under = isTall ? box.top + 80 : box.bottom + GAP_PX;
		const top = under + own.height > window.innerHeight ? box.top - own.height - GAP_PX : under;
		card.style.left = `${Math.max(8, Math.min(left, window.innerWidth - own.width - 8))}px`;
		card.style.top = `${Math.max(8, Math.min(top, window.innerHeight - own.height - 8))}px`;
	}
	async function go(to: number): Promise<void> {
		if (to >= STOPS.length) return end();
		at = to;
		await tick();
		place();
		card?.querySelector<HTMLElement>('[data-next]')?.focus();
	}
	function end(): void {
		unmark();
		over = true;
	}
	onMount(() => {
		onseen();
		place();
		return unmark;
	});
</script>

<svelte:window onkeydown={(e) => e.key === 'Escape' && !over && end()} onresize={() => !over && place()} />

{#if !over}
	<div
		bind:this={card}
		class="card no-print"
		role="dialog"
		aria-labelledby="tour-title"
		aria-describedby="tour-text"
	>
		<p class="small figures text-muted">A first look, {at + 1} of {STOPS.length}</p>
		<h2 id="tour-title" class="text-lg">{stop.title}</h2>
		<p id="tour-text" class="mt-1">{stop.text}</p>
		<div class="mt-3 flex items-center gap-3">
			<Button kind="secondary" data-next onclick={() => void go(at + 1)}
				>{at + 1 < STOPS.length ? 'Next' : 'Done'}</Button
			>
			{#if at + 1 < STOPS.length}<Button kind="quiet" onclick={end}>Skip</Button>{/if}
		</div>
	</div>
{/if}

<style>
	.card {
		position: fixed;
		z-index: 40;
		right: 1rem;
		bottom: 1rem;
		width: min(25rem, calc(100vw - 1rem));
		height: fit-content;
		padding: 0.9rem 1.1rem;
		border: 2px solid var(--accent);
		border-radius: 4px;
		background: var(--surface);
		box-shadow: 0 4px 18px rgb(0 0 0 / 0.2);
	}
	:global(.toured) {
		outline: 3px solid var(--accent);
		outline-offset: -3px;
	}
</style>
