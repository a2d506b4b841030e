<script lang="ts">
	import type { CivilDate } from '$lib/core/time';
	import Checkbox from '../Checkbox.svelte';
	import Choice from '../Choice.svelte';
	import ColourField from '../ColourField.svelte';
	import DateField from '../DateField.svelte';
	import Field from '../Field.svelte';
	import FileField from '../FileField.svelte';
	import Radio from '../Radio.svelte';
	import Readout from '../Readout.svelte';
	import Switch from '../Switch.svelte';
	import TextArea from '../TextArea.svelte';
	import Tiles from '../Tiles.svelte';

	let { today }: { today: CivilDate } = $props();

	const METHODS = [
		{ value: 'syringe', name: 'Alkalinity by syringe' },
		{ value: 'drops', name: 'Alkalinity by drops' }
	];
	let gravity = $state('1,025');
	let sample = $state('full');
	let measured = $state('drops');
	let reading = $state('0.62');
	let shade = $state('#8a6f9c');
</script>

<div class="mt-4 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
	<Field label="Name of the water" name="name" placeholder="Lobby reef" />
	<Field label="Alkalinity" unit="dKH" inputmode="decimal" value="8.1" help="Read of the same water." />
	<Field label="Specific gravity" inputmode="decimal" bind:value={gravity} />
	<Field
		label="Sample"
		unit="mL"
		inputmode="decimal"
		value="lots"
		fault="The sample must be a number, in mL."
	/>
	<Field label="Lot" value="B-114" disabled />
	<Field label="Search the help" type="search" bare placeholder="Search: blank, last drop …" />
	<Choice label="Method" items={METHODS} />
	<Choice label="Method at the bench" quiet large items={METHODS} />
	<Choice label="Method that is missing" items={METHODS} fault="Choose one that is on the shelf." />
	<DateField label="Bought" value={today} {today} />
	<DateField
		label="Drawn"
		of="moment"
		value="{today}T19:30"
		{today}
		help="In the time of the water’s place."
	/>
	<DateField label="Fed at" of="time" value="19:30" {today} />
	<DateField label="Good until" value="31/04/2027" {today} />
	<div class="sm:col-span-2 lg:col-span-3">
		<Tiles name="measured" label="It is measured" items={METHODS} bind:chosen={measured} />
	</div>
	<FileField label="Method file" accept=".json" />
	<div>
		<p class="mb-1 font-semibold">Shade of the step</p>
		<ColourField label="Shade of the step" bind:value={shade} />
	</div>
	<Readout
		label="on the display"
		unit="mL"
		size="large"
		strong
		value={reading}
		onenter={(typed) => (reading = typed)}
	/>
	<TextArea
		class="sm:col-span-2"
		label="The steps, as the leaflet has them"
		help="One after another, with a semicolon between."
		rows={3}
		value="3 drops A; swirl 10 s; titrate with B until blue"
	/>
	<div>
		<Checkbox checked>The sample was cloudy</Checkbox>
		<Checkbox>The cap was loose</Checkbox>
		<Checkbox disabled>The kit is past its date</Checkbox>
	</div>
	<fieldset>
		<legend class="font-semibold">Sample</legend>
		<Radio name="sample" value="full" bind:chosen={sample}>Full sample, 5 mL</Radio>
		<Radio name="sample" value="half" bind:chosen={sample}>Half sample, 2.5 mL</Radio>
	</fieldset>
	<div class="grid content-start gap-1">
		<Switch checked>Sound with each drop</Switch>
		<Switch>Screen stays on</Switch>
		<Switch disabled>Read aloud</Switch>
	</div>
</div>
