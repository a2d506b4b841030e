<script lang="ts">
	import type { Preferences } from '$lib/contract/preferences';
	import { TRUST_SCHOOLS, UNUSED_SCHOOLS } from '$lib/contract/shelf-view';
	import { PARAMETER_IDS, PARAMETERS, UNITS } from '$lib/core/quantity';
	import { BETWEEN_SCHOOLS, END_POINTS, type EndPoint, type StepReading } from '$lib/core/reading';
	import {
		LID_SCHOOLS,
		MIXING_SCHOOLS,
		RINSE_SCHOOLS,
		type LidSchool,
		type MixingSchool,
		type RinseSchool
	} from '$lib/contract/handling';
	import { END_POINT_NAMES } from '$lib/format/log/reading';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Radio from '$lib/ui/kit/Radio.svelte';
	import RegionFields from '$lib/ui/shared/RegionFields.svelte';

	let { preferences, path }: { preferences: Preferences; path: string } = $props();

	const END_POINT_DOES: Readonly<Record<EndPoint, string>> = {
		full: 'What leaflets are made for. Nothing is corrected.',
		'first-hint':
			'About a drop before the full colour: one drop is added, and the interval widens by its doubt.',
		'one-more-counted': 'One drop past the full colour: one drop is taken off.',
		'one-more-left-out': 'The drop that makes sure is not entered. Nothing is corrected.'
	};
	const BETWEEN_NAMES: Readonly<Record<StepReading['between'], string>> = {
		interpolate: 'interpolate',
		'nearer-step': 'round to the nearer step',
		'upper-step': 'take the upper step',
		interval: 'record the interval alone'
	};
	const BETWEEN_DOES: Readonly<Record<StepReading['between'], string>> = {
		interpolate: 'The middle between the two, on the kit’s own spacing, with the interval around it.',
		'nearer-step': 'The nearer step is shown; the interval stays the one that was seen.',
		'upper-step':
			'The upper step is shown, so never too low a number; on the average it is too high by half a step. The interval stays the one that was seen, and verdicts use it.',
		interval: 'Only from where to where. Lines and verdicts still use all of it.'
	};
	const TRUST_NAMES: Readonly<Record<Preferences['trust'], string>> = {
		standards: 'prove it by standards',
		habit: 'trust it until something is odd'
	};
	const TRUST_DOES: Readonly<Record<Preferences['trust'], string>> = {
		standards: 'A check is due when a kit is newly opened, every four months, past its date, or in doubt.',
		habit: 'Only a passed date or a doubt asks for a check. A kit that drifts is then found late, or never.'
	};
	const UNUSED_NAMES: Readonly<Record<Preferences['unused'], string>> = {
		discard: 'is thrown away',
		'put-back': 'goes back into its bottle'
	};
	const UNUSED_DOES: Readonly<Record<Preferences['unused'], string>> = {
		discard:
			'A whole filling is counted off the bottle with every test. What touched anything stays out of the bottle.',
		'put-back':
			'Only what was used is counted off. A trace of water or of another reagent may spoil the bottle: use a syringe that touches nothing else, and never put back what touched the sample.'
	};
	const RINSE_NAMES: Readonly<Record<RinseSchool, string>> = {
		both: 'purified water, then the sample',
		sample: 'the sample alone, twice',
		pure: 'purified water alone'
	};
	const RINSE_DOES: Readonly<Record<RinseSchool, string>> = {
		both: 'What an earlier test left goes with the first, the first goes with the second.',
		sample: 'Nothing is thinned; what an earlier test left needs both rinses to go.',
		pure: 'What stays on the glass thins the sample: about a tenth of a mL in 10 mL is 1 % too low, and more in a small vial.'
	};
	const MIXING_NAMES: Readonly<Record<MixingSchool, string>> = {
		hand: 'by hand',
		stirrer: 'by a magnetic stirrer'
	};
	const MIXING_DOES: Readonly<Record<MixingSchool, string>> = {
		hand: 'Swirling is said and timed.',
		stirrer:
			'Stirring is said and timed instead of swirling. The end point comes evenly; a fast one draws air in, and pH with it. A leaflet that says not to stir goes before.'
	};
	const LID_NAMES: Readonly<Record<LidSchool, string>> = { cap: 'capped', open: 'open' };
	const LID_DOES: Readonly<Record<LidSchool, string>> = {
		cap: 'Nothing splashes; a drop that hangs in the cap is missing in the vial.',
		open: 'Nothing hangs in a cap; splashes are lost, and hands are near reagent. Shaking is always capped.'
	};
	const choosable = PARAMETER_IDS.filter((p) => PARAMETERS[p].units.length > 1 && p !== 'temperature');
</script>

{#snippet school<K extends string>(
	legend: string,
	name: 'endPoint' | 'between' | 'trust' | 'unused' | 'rinse' | 'mixing' | 'lid',
	options: readonly K[],
	names: Readonly<Record<K, string>>,
	does: Readonly<Record<K, string>>
)}
	<fieldset>
		<legend class="text-xl font-semibold">{legend}</legend>
		{#each options as option (option)}
			<Radio {name} value={option} chosen={preferences[name]} class="min-h-12 border-t py-3"
				><strong>{names[option]}</strong><span class="small block text-muted">{does[option]}</span></Radio
			>
		{/each}
	</fieldset>
{/snippet}

<main class="page max-w-[48rem]!">
	<h1 class="text-3xl">Units and habits</h1>
	<p class="mt-1 max-w-[40rem] text-muted">
		Kept on this device. How a reading is made stands with every reading, so that changing it here changes
		nothing that was read before. What is left on the shelf, and which checks are due, is reckoned by the
		habit of today.
	</p>
	<form method="post" action="/preferences" class="mt-6 space-y-8">
		<Hidden name="back" value={path} />
		{@render school('I stop a titration at', 'endPoint', END_POINTS, END_POINT_NAMES, END_POINT_DOES)}
		{@render school('A colour between two steps', 'between', BETWEEN_SCHOOLS, BETWEEN_NAMES, BETWEEN_DOES)}
		{@render school('A kit on the shelf: I', 'trust', TRUST_SCHOOLS, TRUST_NAMES, TRUST_DOES)}
		{@render school(
			'Titrant that is left in the syringe',
			'unused',
			UNUSED_SCHOOLS,
			UNUSED_NAMES,
			UNUSED_DOES
		)}
		{@render school('I rinse a vial with', 'rinse', RINSE_SCHOOLS, RINSE_NAMES, RINSE_DOES)}
		{@render school('I mix a vial', 'mixing', MIXING_SCHOOLS, MIXING_NAMES, MIXING_DOES)}
		{@render school('While it is swirled, it is', 'lid', LID_SCHOOLS, LID_NAMES, LID_DOES)}
		<p class="text-muted">
			Fixed testing days, or tests when each is worth making, are chosen for every water by itself: under
			“When tests are due” on its Today.
		</p>
		<fieldset>
			<legend class="text-xl font-semibold">Numbers, dates and volumes</legend>
			<div class="mt-3 grid gap-4 sm:grid-cols-2"><RegionFields {preferences} /></div>
			<p class="small mt-3 text-muted">
				A point and a comma are both read as decimal marks, whichever is shown. Doses stay in mL and g.
			</p>
		</fieldset>
		<fieldset>
			<legend class="text-xl font-semibold">Units</legend>
			<div class="mt-3 grid gap-4 sm:grid-cols-2">
				{#each choosable as parameter (parameter)}
					<Choice
						name={parameter}
						label={PARAMETERS[parameter].name}
						value={preferences.units[parameter]}
						items={PARAMETERS[parameter].units.map((unit) => ({ value: unit, name: UNITS[unit].symbol }))}
					/>
				{/each}
			</div>
			<p class="small mt-3 text-muted">
				Specific gravity is said with both its temperatures; without them the number means nothing. Full or
				half sample, and left or used in the syringe, are chosen at each test; how magnesium is reckoned from
				hardness belongs to the method, as its leaflet has it.
			</p>
		</fieldset>
		<Button kind="primary" type="submit" size="large">Keep these</Button>
	</form>
</main>
