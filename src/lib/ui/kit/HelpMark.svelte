<script lang="ts">
	import type { HelpTopic } from '$lib/format/help/help';

	interface Props {
		/** The topic that is opened. */
		topic: string;
		/** What it is about, in words that follow "Help: ". */
		about: string;
	}
	let { topic, about }: Props = $props();

	const id = $props.id();
	let mark: HTMLButtonElement | undefined = $state();
	let box: HTMLElement | undefined = $state();
	let found = $state.raw<HelpTopic | null>(null);
	let missed = $state(false);
	const EDGE_PX = 8;

	/** The texts come with the first question. */
	async function open(): Promise<void> {
		if (!box) return;
		box.togglePopover();
		try {
			const { HELP } = await import('$lib/format/help/help');
			found = HELP.find((t) => t.id === topic) ?? null;
			missed = found === null;
		} catch {
			missed = true;
		}
		place();
	}
	/** Under its mark, as far as the window has room. */
	function place(): void {
		if (!mark || !box) return;
		const from = mark.getBoundingClientRect();
		const { width, height } = box.getBoundingClientRect();
		const left = Math.min(window.innerWidth - width - EDGE_PX, Math.max(EDGE_PX, from.left - width / 2));
		const below = from.bottom + EDGE_PX;
		const top = below + height > window.innerHeight ? Math.max(EDGE_PX, from.top - height - EDGE_PX) : below;
		box.style.left = `${left}px`;
		box.style.top = `${top}px`;
	}
</script>

<button
	type="button"
	bind:this={mark}
	class="ask no-print"
	aria-label="Help: {about}"
	aria-controls={id}
	onclick={() => void open()}><span aria-hidden="true">?</span></button
>
<span {id} bind:this={box} popover="auto" class="answer" role="note">
	{#if found}
		<strong class="block">{found.title}</strong>
		<span class="small mt-1 block font-normal">{found.text}</span>
	{:else if missed}
		<span class="small"
			>This text cannot be fetched just now. It stands under Help, at the foot of the page.</span
		>
	{/if}
</span>

<style>
	.ask {
		position: relative;
		display: inline-flex;
		align-items: center;
		justify-content: center;
		width: 1.35rem;
		height: 1.35rem;
		border: 1.5px solid var(--line-strong);
		border-radius: 50%;
		color: var(--muted);
		font-size: 0.85rem;
		font-weight: 600;
		line-height: 1;
		vertical-align: middle;
	}
	/* As large as a thumb, whatever it looks like. */
	.ask::after {
		position: absolute;
		inset: -0.6rem;
		content: '';
	}
	.ask:hover {
		border-color: var(--ink);
		color: var(--ink);
	}
	.answer {
		position: fixed;
		inset: auto;
		width: min(24rem, calc(100vw - 1rem));
		margin: 0;
		padding: 0.75rem 1rem;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: var(--surface);
		color: var(--ink);
		text-align: left;
		white-space: normal;
		box-shadow: 0 2px 10px rgb(0 0 0 / 0.15);
	}
</style>
