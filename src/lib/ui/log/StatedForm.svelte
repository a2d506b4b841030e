<script lang="ts">
	import { enhance } from '$app/forms';
	import { LONGEST } from '$lib/contract/lengths';
	import { isParameterId, PARAMETER_IDS, PARAMETERS, UNITS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';

	interface Props {
		id: string;
		waterId: string;
		/** From the address: which parameter it is about. */
		chosen: string;
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
			readonly code: string;
		} | null;
	}
	let { id, waterId, chosen, timeZone, now, refused }: Props = $props();

	const before = (name: string) => refused?.entered[name];
	let parameter = $derived(before('parameter') ?? (isParameterId(chosen) ? chosen : 'alkalinity'));
	const units = $derived(PARAMETERS[isParameterId(parameter) ? parameter : 'alkalinity'].units);
	const field = $derived(refused?.field.replace(/^reading\./, '') ?? '');
	const fault = (...names: string[]) => (refused && names.includes(field) ? refused.text : undefined);
	const FIELDS = ['value', 'limit', 'says.limit', 'expandedU', 'source', 'happenedAt'];
	const general = $derived(refused && !FIELDS.includes(field) ? refused.text : null);
</script>

<main class="page max-w-[44rem]!">
	<h1 class="text-3xl">A result from elsewhere</h1>
	<p class="mt-1 text-muted">
		A laboratory’s report, or a value from an old notebook. It is kept with the uncertainty that is stated for
		it, and stands beside your own readings as the reference it is.
	</p>
	<form method="post" use:enhance={sending} class="mt-6 space-y-5">
		<Hidden name="id" value={before('id') ?? id} />
		{#if general}<Fault text={general} />{/if}
		<div class="grid gap-5 sm:grid-cols-2">
			<Choice
				name="parameter"
				label="What was measured"
				value={parameter}
				items={PARAMETER_IDS.map((value) => ({ value, name: PARAMETERS[value].name }))}
				onpick={(picked) => (parameter = picked)}
			/>
			<Choice
				name="unit"
				label="In which unit"
				value={units.find((u) => u === before('unit')) ?? units[0]!}
				items={units.map((value) => ({ value, name: UNITS[value].symbol }))}
			/>
			<Choice
				name="sense"
				label="It says"
				value={before('sense') ?? 'value'}
				items={[
					{ value: 'value', name: 'a value' },
					{ value: '<', name: 'less than' },
					{ value: '>', name: 'more than' }
				]}
			/>
			<Field
				name="value"
				label="Value"
				inputmode="decimal"
				value={before('value') ?? ''}
				fault={fault('value', 'limit', 'says.limit')}
			/>
			<Field
				name="expandedU"
				label="± as stated (k = 2), if any"
				inputmode="decimal"
				value={before('expandedU') ?? ''}
				help="Left open, 5 % is taken and said."
				fault={fault('expandedU')}
			/>
			<Field
				name="source"
				label="From where"
				maxlength={LONGEST.source}
				value={before('source') ?? ''}
				fault={fault('source')}
			/>
		</div>
		<WhenField
			name="happenedAt"
			label="When the sample was drawn"
			entered={before('happenedAt')}
			{timeZone}
			{now}
			fault={fault('happenedAt')}
		/>
		<Field name="note" label="Note" maxlength={LONGEST.note} value={before('note') ?? ''} />
		{#if refused?.code === 'unusual'}
			<Checkbox name="unusual" value="as-read" large class="min-h-11 items-center font-semibold"
				>It is so: keep it as it is</Checkbox
			>
		{/if}
		<div class="flex flex-wrap gap-3 pt-2">
			<Button kind="primary" type="submit" size="large">Save the result</Button>
			<Button kind="quiet" size="large" href="/waters/{waterId}/log">Back to the Log</Button>
		</div>
	</form>
</main>
