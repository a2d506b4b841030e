<script lang="ts">
	import { convert, UNITS, type UnitId } from '$lib/core/quantity';
	import type { Fault } from '$lib/core/result';
	import { plain } from '$lib/format/number';
	import NumberField from './NumberField.svelte';

	interface Props {
		label: string;
		/** °C; null where it was not read. */
		value: number | null;
		/** In which the reader has it: °C or °F. */
		unit: UnitId;
		help?: string;
		onset: (celsius: number | null) => void;
		onfault: (fault: Fault) => void;
	}
	let { label, value, unit, help = '', onset, onfault }: Props = $props();
	const shown = $derived(value === null ? '' : plain(Number(convert(value, 'celsius', unit).toFixed(2))));
</script>

<NumberField
	{label}
	{help}
	unit={UNITS[unit].symbol}
	value={shown}
	onset={(typed) => onset(convert(typed, unit, 'celsius'))}
	onclear={() => onset(null)}
	{onfault}
/>
