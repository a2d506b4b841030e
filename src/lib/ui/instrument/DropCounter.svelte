<script lang="ts">
	interface Props {
		/** Null until something was counted or typed. */
		count: number | null;
		/** Of the count, drops that were half or lost. */
		bad: number;
		onadd: (drops: number) => void;
		onundo: () => void;
		onbad: () => void;
		ontotal: (text: string) => void;
	}
	let { count, bad, onadd, onundo, onbad, ontotal }: Props = $props();
	const id = $props.id();
	const fallen = $derived(count ?? 0);
	const typed = $derived(count === null ? '' : String(count));
</script>

<div>
	<button type="button" class="surface" onclick={() => onadd(1)}>
		<span class="figures count">{fallen}</span>
		<span class="text-xl">{fallen === 1 ? 'drop' : 'drops'}</span>
		<svg class="drop" viewBox="0 0 24 30" aria-hidden="true"
			><path
				d="M12 1.5 C15.5 9 22 13.5 22 20 A10 9.3 0 0 1 2 20 C2 13.5 8.5 9 12 1.5Z"
				fill="none"
				stroke="currentColor"
				stroke-width="1.5"
			/></svg
		>
		<span class="small hidden text-muted sm:block"
			>Press anywhere here, or any key, for every drop that falls</span
		>
	</button>
	<p class="visually-hidden" aria-live="assertive">{typed}</p>
	<div class="mt-3 grid grid-cols-3 gap-3">
		<button type="button" class="side" disabled={count === null} onclick={onundo}>Undo</button>
		<button type="button" class="side" disabled={bad >= fallen} onclick={onbad}
			>Bad drop{bad > 0 ? `: ${bad}` : ''}</button
		>
		<button type="button" class="side figures" onclick={() => onadd(5)}>+5</button>
	</div>
	<p class="mt-3 flex items-baseline gap-3">
		<label for={id} class="small text-muted">or type the total</label>
		<input
			{id}
			type="text"
			inputmode="numeric"
			autocomplete="off"
			value={typed}
			placeholder="–"
			onchange={(e) => {
				ontotal(e.currentTarget.value);
				e.currentTarget.value = typed;
			}}
			class="figures w-24 border-0 border-b-2 border-line-strong bg-transparent px-0 py-1 text-2xl font-bold"
		/>
	</p>
</div>

<style>
	.surface {
		display: flex;
		width: 100%;
		min-height: 12rem;
		flex-direction: column;
		align-items: center;
		justify-content: center;
		gap: 0.35rem;
		padding: 1rem;
		border: 2px solid var(--ink);
		border-radius: 4px;
		background: var(--paper);
		color: var(--ink);
		touch-action: manipulation;
		user-select: none;
	}
	@media (min-width: 64rem) {
		.surface {
			min-height: 19rem;
		}
	}
	.surface:active {
		background: var(--slot);
	}
	/* Readable from two metres. */
	.count {
		font-size: clamp(6.5rem, 20vh, 11rem);
		font-weight: 700;
		line-height: 0.95;
		letter-spacing: -0.02em;
	}
	.drop {
		width: 1.6rem;
		margin-block: 0.3rem;
	}
	.side {
		min-height: 3.25rem;
		border: 2px solid var(--line-strong);
		border-radius: 4px;
		font-weight: 600;
	}
	.side:disabled {
		opacity: 0.45;
	}
</style>
