<script lang="ts">
	import type { Preferences } from '$lib/contract/preferences';
	import { PARAMETER_IDS, PARAMETERS, UNITS } from '$lib/core/quantity';
	import { BETWEEN_SCHOOLS, END_POINTS, type EndPoint, type StepReading } from '$lib/core/reading';
	import { END_POINT_NAMES } from '$lib/format/reading';
	import Action from '$lib/ui/shared/Action.svelte';

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
		interval: 'record the interval alone'
	};
	const BETWEEN_DOES: Readonly<Record<StepReading['between'], string>> = {
		interpolate: 'The middle between the two, on the kit’s own spacing, with the interval around it.',
		'nearer-step': 'The nearer step is shown; the interval stays the one that was seen.',
		interval: 'Only from where to where. Lines and verdicts still use all of it.'
	};
	const choosable = PARAMETER_IDS.filter((p) => PARAMETERS[p].units.length > 1);
</script>

{#snippet school<K extends string>(
	legend: string,
	name: 'endPoint' | 'between',
	options: readonly K[],
	names: Readonly<Record<K, string>>,
	does: Readonly<Record<K, string>>
)}
	<fieldset>
		<legend class="text-xl font-semibold">{legend}</legend>
		{#each options as option (option)}
			<label class="flex min-h-12 cursor-pointer items-start gap-3 border-t py-3">
				<input
					type="radio"
					{name}
					value={option}
					checked={preferences[name] === option}
					class="mt-1 h-5 w-5 accent-[var(--ink)]"
				/>
				<span><strong>{names[option]}</strong><span class="small block text-muted">{does[option]}</span></span
				>
			</label>
		{/each}
	</fieldset>
{/snippet}

<main class="page max-w-[48rem]!">
	<h1 class="text-3xl">Units and habits</h1>
	<p class="mt-1 max-w-[40rem] text-muted">
		Kept on this device. A habit stands with every reading it was used for, so that changing it here changes
		nothing that was read before.
	</p>
	<form method="post" action="/preferences" class="mt-6 space-y-8">
		<input type="hidden" name="back" value={path} />
		{@render school('I stop a titration at', 'endPoint', END_POINTS, END_POINT_NAMES, END_POINT_DOES)}
		{@render school('A colour between two steps', 'between', BETWEEN_SCHOOLS, BETWEEN_NAMES, BETWEEN_DOES)}
		<fieldset>
			<legend class="text-xl font-semibold">Units</legend>
			<div class="mt-3 grid gap-4 sm:grid-cols-2">
				{#each choosable as parameter (parameter)}
					<label class="block">
						<span class="block">{PARAMETERS[parameter].name}</span>
						<select name={parameter} class="min-h-11 w-full rounded-md border border-line-strong bg-surface">
							{#each PARAMETERS[parameter].units as unit (unit)}
								<option value={unit} selected={preferences.units[parameter] === unit}
									>{UNITS[unit].symbol}</option
								>
							{/each}
						</select>
					</label>
				{/each}
			</div>
			<p class="small mt-3 text-muted">
				Specific gravity is said with both its temperatures; without them the number means nothing. Full or
				half sample, and left or used in the syringe, are chosen at each test; how magnesium is reckoned from
				hardness belongs to the method, as its leaflet has it.
			</p>
		</fieldset>
		<Action kind="primary" type="submit" size="large">Keep these</Action>
	</form>
</main>
