<script lang="ts">
	import { percent } from '$lib/format/number';

	interface Props {
		/** What is under way. */
		label: string;
		/** 0 to 1; null where nobody knows how long it takes. */
		share: number | null;
	}
	let { label, share }: Props = $props();
	const id = $props.id();
</script>

<div>
	<p class="small figures flex justify-between gap-4">
		<span {id}>{label}</span>{#if share !== null}<span>{percent(share)}</span>{/if}
	</p>
	{#if share === null}<progress aria-labelledby={id} max="1"></progress>
	{:else}<progress aria-labelledby={id} max="1" value={share}></progress>{/if}
</div>

<style>
	progress {
		display: block;
		width: 100%;
		height: 0.5rem;
		margin-top: 0.25rem;
		appearance: none;
		border: 0;
		border-radius: 2px;
		background: var(--slot);
		overflow: hidden;
	}
	/* Nobody knows how long: half of it is always drawn. */
	progress:not([value])::-webkit-progress-bar {
		background: repeating-linear-gradient(90deg, var(--line-strong) 0 0.5rem, var(--slot) 0.5rem 1rem);
	}
	progress[value]::-webkit-progress-bar {
		background: var(--slot);
	}
	progress::-webkit-progress-value {
		background: var(--ink);
	}
	progress::-moz-progress-bar {
		background: var(--ink);
	}
</style>
