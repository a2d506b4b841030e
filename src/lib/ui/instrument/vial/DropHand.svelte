<script lang="ts">
	import { onDestroy } from 'svelte';
	import type { SimVial } from './SimVial.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		sim: SimVial;
		onstop: () => void;
	}
	let { sim, onstop }: Props = $props();

	/** A press is a drop; held, a stream. */
	let held: ReturnType<typeof setTimeout> | undefined;
	const HOLD_MS = 450;
	function press(): void {
		sim.drop();
		clearTimeout(held);
		held = setTimeout(() => sim.stream(true), HOLD_MS);
	}
	/** Whoever presses without a pointer (a screen reader, the Enter key) has one drop. */
	function byOtherMeans(event: MouseEvent): void {
		if (event.detail !== 0) return;
		press();
		release();
	}
	function release(): void {
		clearTimeout(held);
		sim.stream(false);
	}
	function stop(): void {
		if (sim.lastDropMl === 0) return;
		release();
		onstop();
	}
	function key(event: KeyboardEvent): void {
		const { target } = event;
		if (target instanceof HTMLElement && target.closest('a, input, select, summary, textarea')) return;
		if (event.key === ' ' && !event.repeat) {
			event.preventDefault();
			press();
		}
		if (event.key === 'Enter' && !(target instanceof HTMLElement && target.closest('button'))) stop();
		if (event.key === 'Backspace') sim.takeBack();
	}
	onDestroy(release);
</script>

<svelte:window onkeydown={key} onkeyup={release} onpointerup={release} onpointercancel={release} />

<div class="mt-5 flex flex-wrap items-center gap-3">
	<div class="bar flex gap-3">
		<Button
			kind="primary"
			size="large"
			class="touch-none select-none"
			onpointerdown={press}
			onclick={byOtherMeans}>Add a drop</Button
		>
		<Button size="large" onclick={stop}>Colour has turned</Button>
	</div>
	<Button kind="text" class="min-h-11" onclick={() => sim.halfDrop()}>Touch off half a drop</Button>
	<Button kind="text" class="min-h-11" onclick={() => sim.takeBack()}>Take the last two seconds back</Button>
</div>

<style>
	/* On a phone what is pressed stays under the thumb, with the vial in view. */
	@media (max-width: 40rem) {
		.bar {
			position: fixed;
			inset-inline: 0;
			bottom: 0;
			z-index: 5;
			padding: 0.6rem 1rem;
			background: var(--surface);
			border-top: 1px solid var(--line);
		}
		.bar > :global(*) {
			flex: 1 1 auto;
		}
	}
</style>
