<script lang="ts">
	import { RAISED } from '$lib/core/correction';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { symbolAfter } from '$lib/format/quantity';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';

	interface Props {
		units: Readonly<Record<ParameterId, UnitId>>;
		/** What was sent and refused. */
		before: (name: string) => string;
		faultOf: (name: string) => string | undefined;
	}
	let { units, before, faultOf }: Props = $props();
</script>

<Choice
	name="from"
	label="Its strength comes from"
	value={before('from') || 'label'}
	items={[
		{ value: 'label', name: 'the label' },
		{ value: 'trial', name: 'a trial dose in water of known volume' }
	]}
/>
<fieldset class="grid gap-4 sm:col-span-2 sm:grid-cols-3">
	<legend class="label mb-1">One mL (or g) raises 100 L by</legend>
	{#each RAISED as parameter (parameter)}
		<Field
			name="strength.{parameter}"
			label={PARAMETERS[parameter].name}
			unit={symbolAfter(units[parameter]).trim()}
			inputmode="decimal"
			value={before(`strength.${parameter}`)}
			fault={faultOf(`strength.${parameter}`)}
		/>
	{/each}
</fieldset>
<Disclosure class="sm:col-span-2" title="By a trial dose instead" look="link min-h-11 py-2">
	<div class="mt-2 grid gap-4 sm:grid-cols-3">
		<Choice
			name="trial.parameter"
			label="It raised"
			value={before('trial.parameter') || 'alkalinity'}
			items={RAISED.map((value) => ({ value, name: PARAMETERS[value].name }))}
		/>
		<Field name="trial.amount" label="Amount given" inputmode="decimal" value={before('trial.amount')} />
		<LitresField name="trial.volume" label="In water of" value={before('trial.volume')} />
		<Field name="trial.before" label="Read before" inputmode="decimal" value={before('trial.before')} />
		<Field name="trial.after" label="Read after" inputmode="decimal" value={before('trial.after')} />
		<Field
			name="trial.u"
			label="A reading is good to ±"
			inputmode="decimal"
			value={before('trial.u')}
			fault={faultOf('trial')}
		/>
	</div>
</Disclosure>
<Choice
	name="form"
	label="It brings alkalinity as"
	value={before('form') || 'unknown'}
	items={[
		{ value: 'unknown', name: 'not said' },
		{ value: 'bicarbonate', name: 'bicarbonate' },
		{ value: 'carbonate', name: 'carbonate' },
		{ value: 'hydroxide', name: 'hydroxide' }
	]}
/>
