<script lang="ts">
	import { enhance } from '$app/forms';
	import { COMPOUND_IDS, COMPOUNDS, RAISED, STOCK } from '$lib/core/correction';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { ownIn } from '$lib/core/result';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import ProductFields from './ProductFields.svelte';

	interface Props {
		units: Readonly<Record<ParameterId, UnitId>>;
		id: string;
		form: { readonly entered: Record<string, string>; readonly field: string; readonly text: string } | null;
		saved: boolean;
	}
	let { units, id, form, saved }: Props = $props();

	let kind = $derived(form?.entered.kind ?? 'product');
	const before = (name: string) => form?.entered[name] ?? '';
	const faultOf = (name: string) => (form && form.field === name ? form.text : undefined);
	/** Fields that say themselves what is wrong with them; what has none on the screen is said above the form. */
	const SAYING: Readonly<Record<string, readonly string[]>> = {
		product: [...RAISED.map((p) => `strength.${p}`), 'trial'],
		solution: ['gramsPerL', 'compound'],
		salt: ['purity'],
		table: ['rows']
	};
	const general = $derived(
		form && form.field !== 'name' && !ownIn(SAYING, kind)?.includes(form.field) ? form.text : null
	);
	const KINDS = [
		{ value: 'product', name: 'a product, by its label or a trial' },
		{ value: 'solution', name: 'a solution mixed at home' },
		{ value: 'salt', name: 'a salt of another purity' },
		{ value: 'table', name: 'an additive with its own dosing table' }
	];
	const salts = COMPOUND_IDS.filter((c) => c !== 'SrCl2.6H2O').map((value) => ({
		value,
		name: COMPOUNDS[value].name
	}));
	const TABLE_EXAMPLE = ['2  1', '10  3', '50  5'].join('\n');
</script>

{#snippet measured()}
	<Choice
		name="unit"
		label="Measured in"
		value={before('unit') || 'ml'}
		items={[
			{ value: 'ml', name: 'mL' },
			{ value: 'g', name: 'g' }
		]}
	/>
{/snippet}
{#snippet forbids()}
	<Field
		name="notWith"
		label="Its label forbids to combine it with"
		value={before('notWith')}
		help="Leave empty where it says nothing."
	/>
{/snippet}

<form method="post" action="?/save" use:enhance={sending} class="mt-3 grid gap-5 sm:grid-cols-2">
	<Hidden name="id" value={id} />
	{#if general}<div class="sm:col-span-2"><Fault text={general} /></div>{/if}
	{#if saved}<p role="status" class="sm:col-span-2">Kept. It can be chosen in a plan from now on.</p>{/if}
	<Choice name="kind" label="It is" value={kind} items={KINDS} onpick={(picked) => (kind = picked)} />
	<Field name="name" label="Its name, as you say it" value={before('name')} fault={faultOf('name')} />
	{#if kind === 'product'}
		{@render measured()}
		<ProductFields {units} {before} {faultOf} />
		{@render forbids()}
	{:else if kind === 'solution'}
		{#each [0, 1] as i (i)}
			<Choice
				name="part.{i}.compound"
				label={i === 0 ? 'Salt' : 'Second salt'}
				value={before(`part.${i}.compound`) || (i === 0 ? 'CaCl2.2H2O' : '')}
				items={i === 0 ? salts : [{ value: '', name: 'none' }, ...salts]}
			/>
			<Field
				name="part.{i}.gramsPerL"
				label="Of it, in the finished litre"
				unit="g"
				inputmode="decimal"
				value={before(`part.${i}.gramsPerL`)}
				fault={i === 0 ? (faultOf('gramsPerL') ?? faultOf('compound')) : undefined}
			/>
		{/each}
		<p class="small text-muted sm:col-span-2">
			At most: {salts
				.slice(0, 8)
				.map((s) => `${s.name.toLowerCase()} ${STOCK[s.value].mostGPerL} g/L`)
				.join(', ')}.
		</p>
	{:else if kind === 'salt'}
		<Choice name="compound" label="Salt" value={before('compound') || 'NaHCO3'} items={salts} />
		<Field
			name="purity"
			label="Purity by its bag"
			unit="%"
			inputmode="decimal"
			value={before('purity') || '98'}
			fault={faultOf('purity')}
		/>
	{:else}
		<Choice
			name="parameter"
			label="Its table goes by"
			value={before('parameter') || 'nitrate'}
			items={[
				{ value: 'nitrate', name: 'nitrate' },
				{ value: 'phosphate', name: 'phosphate' },
				{ value: 'potassium', name: 'potassium' }
			]}
		/>
		{@render measured()}
		<div class="sm:col-span-2">
			<TextArea
				name="rows"
				label="Its rows: the reading, then the amount a day for 100 L"
				rows={5}
				look="figures"
				placeholder={TABLE_EXAMPLE}
				value={before('rows')}
				fault={faultOf('rows')}
			/>
		</div>
		{@render forbids()}
	{/if}
	<div class="sm:col-span-2"><Button kind="primary" type="submit">Keep it</Button></div>
</form>
