<script lang="ts">
	import { enhance } from '$app/forms';
	import type { NamedSupplement } from '$lib/contract/adjust';
	import {
		COMPOUND_IDS,
		COMPOUNDS,
		doseByTable,
		raisedBy,
		RAISED,
		recipeFor,
		STOCK,
		type Supplement
	} from '$lib/core/correction';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { listed } from '$lib/format/adjust';
	import { plain } from '$lib/format/number';
	import { symbolAfter } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import Dangers from './Dangers.svelte';

	interface Props {
		waterId: string;
		volumeL: number | null;
		supplements: readonly NamedSupplement[];
		/** The last value of each parameter, for leaflets' tables; canonical units. */
		levels: Readonly<Partial<Record<ParameterId, number>>>;
		units: Readonly<Record<ParameterId, UnitId>>;
		id: string;
		form: { readonly entered: Record<string, string>; readonly field: string; readonly text: string } | null;
		saved: boolean;
	}
	let { waterId, volumeL, supplements, levels, units, id, form, saved }: Props = $props();

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
		form && form.field !== 'name' && !SAYING[kind]?.includes(form.field) ? form.text : null
	);
	const own = $derived(supplements.filter((s) => s.own));
	const shipped = $derived(supplements.filter((s) => !s.own));
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

	function strengthWords(what: Supplement): string {
		switch (what.kind) {
			case 'salt':
				return `${COMPOUNDS[what.compound].formula}, ${Math.round(100 * what.purity)} % pure`;
			case 'solution':
				return what.parts
					.map((p) => `${plain(p.gramsPerL)} g/L ${COMPOUNDS[p.compound].formula}`)
					.join(' and ');
			case 'limewater':
				return `${plain(1000 * what.molPerL)} mmol/L`;
			case 'product':
				return `${what.strength
					.map(
						(s) =>
							`1 ${what.unit === 'ml' ? 'mL' : 'g'} in 100 L: ${nameWithin(s.parameter)} +${plain(Number(s.risePer100L.toPrecision(3)))}${symbolAfter(PARAMETERS[s.parameter].canonicalUnit)}`
					)
					.join('; ')}, by its ${what.from}, ± ${Math.round(200 * what.relativeU)} %`;
		}
	}
	const TABLE_EXAMPLE = ['2  1', '10  3', '50  5'].join('\n');
	const recipeOf = (what: Supplement) => {
		if (what.kind !== 'solution') return null;
		const made = recipeFor(what.parts, 1);
		return made.kind === 'recipe' ? made.recipe : null;
	};
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Salts and products</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		What is added, and how strong it is. A label is believed to 20 %, a salt by its purity, a trial as well as
		you read it.
	</p>
	{#if own.length > 0}
		<h2 class="mt-8 text-2xl">Yours</h2>
		<ul class="mt-2 border-b">
			{#each own as s (s.id)}
				{@const recipe = s.what.kind === 'table' ? null : recipeOf(s.what)}
				<li class="border-t py-3">
					<strong>{s.name}</strong>
					{#if s.what.kind === 'table'}
						{@const reading = levels[s.what.parameter]}
						<span class="small block text-muted"
							>By its leaflet’s table on {nameWithin(s.what.parameter)}, steered by retests: nobody knows what
							it brings.</span
						>
						{#if reading !== undefined && volumeL !== null}
							<span class="figures block"
								>At {plain(Number(reading.toPrecision(2)))}: {plain(
									Number(doseByTable(s.what.rows, reading, volumeL).toPrecision(3))
								)}
								{s.what.unit === 'ml' ? 'mL' : 'g'} a day. Test again after four days.</span
							>
						{/if}
					{:else}
						<span class="small figures block text-muted"
							>{strengthWords(s.what)}. Raises {listed(raisedBy(s.what))}.</span
						>
					{/if}
					{#if recipe}
						<span class="small block"
							>For a litre: {recipe.masses
								.map(
									(m) =>
										`${plain(Number(m.grams.toPrecision(3)))} g ${COMPOUNDS[m.compound].name.toLowerCase()}`
								)
								.join(', ')}, filled up with purified water. Keeps {recipe.keepsMonths} months, closed and labelled.</span
						>
					{/if}
					{#if s.notWith}<span class="small block border-l-4 border-warn pl-2"
							>Its label forbids to combine it with: {s.notWith}</span
						>{/if}
					<form method="post" action="?/retire" use:enhance={sending}>
						<Hidden name="supplementId" value={s.id} />
						<Button kind="quiet" type="submit">No longer in use</Button>
					</form>
				</li>
			{/each}
		</ul>
	{/if}

	<h2 class="mt-8 text-2xl">Enter one</h2>
	<form method="post" action="?/save" use:enhance={sending} class="mt-3 grid gap-5 sm:grid-cols-2">
		<Hidden name="id" value={id} />
		{#if general}<div class="sm:col-span-2"><Fault text={general} /></div>{/if}
		{#if saved}<p role="status" class="sm:col-span-2">Kept. It can be chosen in a plan from now on.</p>{/if}
		<Choice name="kind" label="It is" value={kind} items={KINDS} onpick={(picked) => (kind = picked)} />
		<Field name="name" label="Its name, as you say it" value={before('name')} fault={faultOf('name')} />
		{#if kind === 'product'}
			<Choice
				name="unit"
				label="Measured in"
				value={before('unit') || 'ml'}
				items={[
					{ value: 'ml', name: 'mL' },
					{ value: 'g', name: 'g' }
				]}
			/>
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
			<details class="sm:col-span-2">
				<summary class="link min-h-11 py-2">By a trial dose instead</summary>
				<div class="mt-2 grid gap-4 sm:grid-cols-3">
					<Choice
						name="trial.parameter"
						label="It raised"
						value={before('trial.parameter') || 'alkalinity'}
						items={RAISED.map((value) => ({ value, name: PARAMETERS[value].name }))}
					/>
					<Field
						name="trial.amount"
						label="Amount given"
						inputmode="decimal"
						value={before('trial.amount')}
					/>
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
			</details>
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
			<Field
				name="notWith"
				label="Its label forbids to combine it with"
				value={before('notWith')}
				help="Leave empty where it says nothing."
			/>
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
			<Choice
				name="unit"
				label="Measured in"
				value={before('unit') || 'ml'}
				items={[
					{ value: 'ml', name: 'mL' },
					{ value: 'g', name: 'g' }
				]}
			/>
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
			<Field
				name="notWith"
				label="Its label forbids to combine it with"
				value={before('notWith')}
				help="Leave empty where it says nothing."
			/>
		{/if}
		<div class="sm:col-span-2"><Button kind="primary" type="submit">Keep it</Button></div>
	</form>

	<h2 class="mt-10 text-2xl">Common salts</h2>
	<ul class="mt-2 border-b">
		{#each shipped as s (s.id)}
			<li class="small figures flex flex-wrap justify-between gap-x-6 border-t py-2">
				<strong>{s.name}</strong>
				{#if s.what.kind !== 'table'}<span class="text-muted"
						>{strengthWords(s.what)}; raises {listed(raisedBy(s.what))}{s.what.kind === 'salt'
							? `; at most ${STOCK[s.what.compound].mostGPerL} g/L in a bottle`
							: ''}</span
					>{/if}
			</li>
		{/each}
	</ul>
	<Dangers dangers={['grade', 'concentrates', 'caustic', 'heats', 'oxidiser', 'children', 'label']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
