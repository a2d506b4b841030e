<script lang="ts" module>
	export interface Tile {
		readonly value: string;
		readonly name: string;
	}
</script>

<script lang="ts">
	import Radio from './Radio.svelte';

	interface Props {
		name: string;
		/** Above them. */
		label: string;
		items: readonly Tile[];
		chosen: string;
	}
	let { name, label, items, chosen = $bindable() }: Props = $props();
</script>

<!-- One of a few, all in sight, each large enough for a wet thumb. -->
<fieldset>
	<legend class="mb-1 font-semibold">{label}</legend>
	<div class="flex flex-wrap gap-2">
		{#each items as item (item.value)}
			<Radio
				{name}
				value={item.value}
				bind:chosen
				class="min-h-11 cursor-pointer items-center rounded-md border bg-surface px-3.5 py-2 {chosen ===
				item.value
					? 'border-ink font-semibold outline-1 outline-ink'
					: 'border-line-strong hover:bg-paper'}">{item.name}</Radio
			>
		{/each}
	</div>
</fieldset>
