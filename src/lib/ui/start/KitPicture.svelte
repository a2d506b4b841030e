<script lang="ts">
	import type { MethodKind } from '$lib/core/method';

	interface Props {
		kind: MethodKind;
	}
	let { kind }: Props = $props();

	const SHAPES: Readonly<
		Record<string, 'syringe' | 'drops' | 'card' | 'ladder' | 'display' | 'scale' | 'float' | 'thermometer'>
	> = {
		'syringe-titration': 'syringe',
		'drop-titration': 'drops',
		'back-titration': 'drops',
		'paired-titration': 'syringe',
		difference: 'drops',
		'colour-card': 'card',
		comparator: 'ladder',
		display: 'display',
		'scale-line': 'scale',
		float: 'float',
		thermometer: 'thermometer'
	};
	const shape = $derived(SHAPES[kind] ?? 'display');
	const steps = [0, 1, 2, 3, 4];
</script>

<!-- What one holds in one's hand, drawn plainly: its outline in ink, what is read from it in the accent. -->
<svg
	viewBox="0 0 48 48"
	class="size-12 shrink-0"
	aria-hidden="true"
	fill="none"
	stroke="currentColor"
	stroke-width="2"
>
	{#if shape === 'syringe'}
		<path d="M10 14h24v20H10zM34 22h6v4h-6zM40 24h5M3 17v14M3 24h7" />
		<path d="M15 14v6M20 14v4M25 14v6M30 14v4" stroke-width="1.5" />
		<path d="M19 21v10h12V21z" fill="var(--accent)" stroke="none" />
	{:else if shape === 'drops'}
		<path d="M17 4h14v14l-4 5h-6l-4-5z" />
		<path d="M24 27c3 4 4 6 4 8a4 4 0 0 1-8 0c0-2 1-4 4-8z" fill="var(--accent)" stroke="none" />
		<path d="M14 44h20" />
	{:else if shape === 'card'}
		<path d="M6 8h36v32H6z" />
		{#each steps as i (i)}
			<path d="M{10 + i * 6} 13h4v14h-4z" fill="var(--accent)" fill-opacity={0.15 + i * 0.2} stroke="none" />
		{/each}
		<path d="M10 33h28" stroke-width="1.5" />
	{:else if shape === 'ladder'}
		<path d="M14 4h20v40H14z" />
		{#each steps as i (i)}
			<circle
				cx="24"
				cy={9.5 + i * 7.2}
				r="2.8"
				fill="var(--accent)"
				fill-opacity={0.15 + i * 0.2}
				stroke="none"
			/>
		{/each}
	{:else if shape === 'display'}
		<path d="M12 4h24v40H12z" />
		<path d="M16 9h16v10H16z" fill="var(--accent)" stroke="none" />
		<circle cx="24" cy="31" r="6" />
	{:else if shape === 'scale'}
		<circle cx="24" cy="24" r="19" />
		<path d="M6 28a19 19 0 0 0 36 0z" fill="var(--accent)" fill-opacity="0.55" stroke="none" />
		<path d="M24 9v30M20 14h8M21 20h6M20 26h8M21 32h6" stroke-width="1.5" />
	{:else if shape === 'float'}
		<path d="M22 4h4v18l5 6v12a7 7 0 0 1-14 0V28l5-6z" />
		<path d="M6 19h12M30 19h12" stroke="var(--accent)" stroke-width="3" />
	{:else}
		<path d="M21 5a3 3 0 0 1 6 0v24a8 8 0 1 1-6 0z" />
		<circle cx="24" cy="36" r="4.5" fill="var(--accent)" stroke="none" />
		<path d="M24 16v18" stroke="var(--accent)" stroke-width="3" />
	{/if}
</svg>
