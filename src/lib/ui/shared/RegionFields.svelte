<script lang="ts">
	import { BROWSER, type Preferences } from '$lib/contract/preferences';
	import { CLOCKS, DATE_ORDERS, DECIMALS, VOLUMES } from '$lib/contract/reader';
	import { PARAMETERS, UNITS } from '$lib/core/quantity';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { preferences }: { preferences: Preferences } = $props();

	/** Words that show themselves: each is an example of what it does. */
	const NAMES: Readonly<Record<string, string>> = {
		day: '23 Nov',
		month: 'Nov 23',
		year: '2026 Nov 23',
		'24': '19:30',
		'12': '7:30 pm',
		point: '8.1',
		comma: '8,1',
		litres: 'litres',
		'us-gallons': 'US gallons'
	};
	const FIELDS = [
		{ name: 'dates', label: 'Dates', options: DATE_ORDERS },
		{ name: 'clock', label: 'Times', options: CLOCKS },
		{ name: 'decimals', label: 'Decimals', options: DECIMALS },
		{ name: 'volumes', label: 'Volumes of water', options: VOLUMES }
	] as const;
</script>

{#each FIELDS as { name, label, options } (name)}
	<Choice
		{name}
		{label}
		value={preferences.region[name]}
		items={[
			{ value: BROWSER, name: `as the browser: ${NAMES[preferences.usual[name]]}` },
			...options.map((option) => ({ value: option, name: NAMES[option] ?? option }))
		]}
	/>
{/each}
<Choice
	name="temperature"
	label="Temperature"
	value={preferences.units.temperature}
	items={PARAMETERS.temperature.units.map((unit) => ({ value: unit, name: UNITS[unit].symbol }))}
/>
