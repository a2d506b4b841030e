<script lang="ts">
	interface Props {
		/** What comes through it, and what it stands on; as CSS writes them. */
		light: string;
		table: string;
		/** From above into the open vial, or from its side. */
		from: 'above' | 'side';
		label: string;
		class?: string;
	}
	let { light, table, from, label, class: extra = '' }: Props = $props();
</script>

<svg viewBox="0 0 600 240" class="block w-full {extra}" role="img" aria-label={label}>
	<rect width="600" height="240" fill={table} />
	{#if from === 'above'}
		<circle cx="300" cy="120" r="88" fill={light} stroke="#8a8a8a" stroke-width="3" />
	{:else}
		<path
			d="M235 58 L235 208 Q235 224 251 224 L349 224 Q365 224 365 208 L365 58 Q300 70 235 58 Z"
			fill={light}
		/>
		<path
			d="M235 16 L235 208 Q235 224 251 224 L349 224 Q365 224 365 208 L365 16"
			fill="none"
			stroke="#8a8a8a"
			stroke-width="3"
		/>
	{/if}
</svg>
