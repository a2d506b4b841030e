<script lang="ts">
	import { inReadersUnit, READERS_UNIT, volumeSymbol } from '$lib/format/volume';
	import { reader } from '$lib/format/reader';
	import Field from './Field.svelte';
	import Hidden from './Hidden.svelte';

	interface Props {
		name: string;
		label: string;
		/** Litres, as text; what is no number stays as it was typed. */
		value?: string;
		help?: string;
		fault?: string | undefined;
	}
	let { name, label, value = '', help = '', fault }: Props = $props();

	let text = $derived(inReadersUnit(value));
	const unit = $derived(READERS_UNIT[reader().volumes]);
</script>

<!-- Its unit goes along, so that whoever reads it knows what was typed. -->
{#if unit !== 'litre'}<Hidden name="{name}.unit" value={unit} />{/if}
<Field {name} {label} {help} {fault} unit={volumeSymbol()} inputmode="decimal" bind:value={text} />
