<script lang="ts">
	import { untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import { checkMethod, HAZARDS, MAX_STEPS, unitsFor, type Method } from '$lib/core/method';
	import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { faultAt, faultText } from '$lib/format/faults';
	import { HAZARD_NAMES } from '$lib/format/hazard';
	import { KIND_NAMES } from '$lib/format/method';
	import Action from '$lib/ui/shared/Action.svelte';
	import Choice from '$lib/ui/shared/Choice.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Field from '$lib/ui/shared/Field.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import ColourRows from './ColourRows.svelte';
	import {
		emptyMethod,
		ENTERED_KINDS,
		methodOfText,
		MOST_LETTERS,
		parseTable,
		stepsOf,
		textOfMethod,
		type MethodText
	} from './method-draft';
	import StepRows from './StepRows.svelte';

	interface Props {
		waterId: string;
		/** The method that is duplicated or revised; null for a new one. */
		from: Method | null;
		/** True: the next version of that very method. */
		revises: boolean;
	}
	let { waterId, from, revises }: Props = $props();

	const newId = idMaker(clockOf());
	const id = untrack(() => newId());
	/** Kinds that the form does not know are adapted as a file. */
	const asFile = untrack(() => from !== null && textOfMethod(from) === null);
	let text = $state<MethodText>(
		untrack(() => {
			const known = from && textOfMethod(from);
			if (!known) return emptyMethod('syringe-titration', 'calcium');
			return revises ? known : { ...known, name: `${known.name}, my kit` };
		})
	);
	let file = $state(
		untrack(() =>
			from ? JSON.stringify(revises ? from : { ...from, name: `${from.name}, my kit` }, null, '\t') : ''
		)
	);
	let refused = $state<{ field: string; text: string } | null>(null);
	let saving = $state(false);

	const set = (change: Partial<MethodText>) => {
		text = { ...text, ...change };
		refused = null;
	};
	const titrates = $derived(text.kind === 'syringe-titration' || text.kind === 'drop-titration');
	const one = $derived(text.kind === 'drop-titration' ? '1 drop' : '1 mL');
	const symbol = $derived(UNITS[text.unit].symbol);
	const preview = $derived(stepsOf(text));
	const rows = $derived(text.worthBy === 'table' && text.table.trim() !== '' ? parseTable(text.table) : null);
	const faultOf = (field: string) => (refused?.field === field ? refused.text : undefined);
	const KINDS = ENTERED_KINDS.map((value) => ({ value, name: KIND_NAMES[value] }));
	const WORTHS = $derived([
		{ value: 'factor', name: `what ${one} is worth` },
		{ value: 'table', name: 'the leaflet’s table' },
		{ value: 'points', name: 'two points of a straight line' },
		{ value: 'titrant', name: 'the titrant’s concentration' }
	]);
	function toggleHazard(hazard: (typeof HAZARDS)[number]): void {
		set({
			hazards: text.hazards.includes(hazard)
				? text.hazards.filter((h) => h !== hazard)
				: [...text.hazards, hazard]
		});
	}

	function built(): Method | null {
		if (asFile) {
			try {
				return JSON.parse(file) as Method;
			} catch (error) {
				refused = {
					field: 'file',
					text: faultText({ code: 'file-unreadable', details: { where: (error as Error).message } })
				};
				return null;
			}
		}
		const made = methodOfText(text);
		const checked = made.ok ? checkMethod(made.value) : made;
		if (!made.ok || !checked.ok) {
			const fault = checked.ok ? null : checked.fault;
			if (fault) refused = { field: fault.field ?? '', text: faultText(fault) };
			return null;
		}
		return made.value;
	}
	async function save(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		refused = null;
		const method = built();
		if (!method || saving) return;
		saving = true;
		const answer = await send<{ code: string }>(`/api/waters/${waterId}/methods`, {
			id,
			waterId,
			method,
			revises: revises && from ? from.code : null
		});
		saving = false;
		if (answer.kind === 'ok') await goto(`/waters/${waterId}/methods/${answer.value.code}`);
		else {
			refused =
				answer.kind === 'refused'
					? { field: answer.fault.field ?? '', text: faultAt(answer.fault) }
					: { field: '', text: answer.message };
		}
	}
	/** Faults that belong to no field of the form stand above the button. */
	const FIELDS = [
		'name',
		'fullMl',
		'halfMl',
		'factor',
		'molPerL',
		'capacityMl',
		'graduationMl',
		'dilutions',
		'tests',
		'resolution',
		'rangeHigh',
		'accuracyAbsolute'
	];
	const general = $derived(refused && !FIELDS.includes(refused.field) ? refused.text : '');
</script>

<main class="page max-w-[72rem]!">
	<p class="label"><a class="link" href="/waters/{waterId}/methods">Methods and kits</a></p>
	<h1 class="mt-2 text-3xl">
		{revises ? `Change ${from?.name}` : from ? `Adapt ${from.name}` : 'Enter a kit from its leaflet'}
	</h1>
	{#if revises}<p class="mt-1 text-muted">
			It becomes the next version. What was read by older ones keeps them until you derive it again.
		</p>{/if}

	<form onsubmit={save} class="mt-6" novalidate>
		{#if asFile}
			<p class="max-w-[44rem]">
				{from ? KIND_NAMES[from.kind] : ''} is adapted in its written form. Change what is different in your kit;
				what does not fit is said with its place.
			</p>
			<textarea
				bind:value={file}
				rows="28"
				spellcheck="false"
				aria-label="Method in its written form"
				class="figures small mt-3 w-full rounded-md px-3 py-2 border border-line-strong bg-surface font-mono"
			></textarea>
		{:else}
			<div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
				<div class="space-y-5">
					<Field
						name="name"
						label="Name"
						maxlength={120}
						value={text.name}
						help="As you call it; names of makers stay on the box."
						fault={faultOf('name')}
						oninput={(e) => set({ name: e.currentTarget.value })}
					/>
					<div class="grid gap-5 sm:grid-cols-2">
						<Choice
							name="kind"
							label="It is read by"
							value={text.kind}
							items={KINDS}
							onchange={(e) => set({ kind: e.currentTarget.value as MethodText['kind'] })}
						/>
						<Choice
							name="parameter"
							label="It measures"
							value={text.parameter}
							items={PARAMETER_IDS.map((value) => ({ value, name: PARAMETERS[value].name }))}
							onchange={(e) => {
								const parameter = e.currentTarget.value as ParameterId;
								set({ parameter, unit: PARAMETERS[parameter].canonicalUnit });
							}}
						/>
						<Choice
							name="unit"
							label="Its values are in"
							value={text.unit}
							items={unitsFor(text.parameter).map((value) => ({ value, name: UNITS[value].symbol }))}
							onchange={(e) => set({ unit: e.currentTarget.value as UnitId })}
						/>
						<Field
							name="tests"
							label="Tests in a pack, if printed"
							inputmode="numeric"
							value={text.tests}
							fault={faultOf('tests')}
							oninput={(e) => set({ tests: e.currentTarget.value })}
						/>
						<Field
							name="fullMl"
							label="Sample"
							unit="mL"
							inputmode="decimal"
							value={text.fullMl}
							fault={faultOf('fullMl')}
							oninput={(e) => set({ fullMl: e.currentTarget.value })}
						/>
						{#if titrates}
							<Field
								name="halfMl"
								label="Half sample, if any"
								unit="mL"
								inputmode="decimal"
								value={text.halfMl}
								fault={faultOf('halfMl')}
								oninput={(e) => set({ halfMl: e.currentTarget.value })}
							/>
						{:else if text.kind !== 'display'}
							<Field
								name="dilutions"
								label="Dilutions it offers, if any"
								value={text.dilutions}
								help="Such as 5 10, for 1:5 and 1:10."
								fault={faultOf('dilutions')}
								oninput={(e) => set({ dilutions: e.currentTarget.value })}
							/>
						{/if}
					</div>

					{#if text.kind === 'syringe-titration'}
						<div class="grid gap-5 sm:grid-cols-3">
							<Field
								name="capacityMl"
								label="Syringe holds"
								unit="mL"
								inputmode="decimal"
								value={text.capacityMl}
								fault={faultOf('capacityMl')}
								oninput={(e) => set({ capacityMl: e.currentTarget.value })}
							/>
							<Field
								name="graduationMl"
								label="Marks every"
								unit="mL"
								inputmode="decimal"
								value={text.graduationMl}
								fault={faultOf('graduationMl')}
								oninput={(e) => set({ graduationMl: e.currentTarget.value })}
							/>
							<Choice
								name="readAs"
								label="Leaflet asks for"
								value={text.readAs}
								items={[
									{ value: 'left', name: 'what is left' },
									{ value: 'used', name: 'what was used' }
								]}
								onchange={(e) => set({ readAs: e.currentTarget.value as MethodText['readAs'] })}
							/>
						</div>
					{/if}

					{#if titrates}
						<Choice
							name="worthBy"
							label="The leaflet gives"
							value={text.worthBy}
							items={WORTHS}
							onchange={(e) => set({ worthBy: e.currentTarget.value as MethodText['worthBy'] })}
						/>
						{#if text.worthBy === 'factor'}
							<Field
								name="factor"
								label="{one} is worth"
								unit={symbol}
								inputmode="decimal"
								value={text.factor}
								fault={faultOf('factor')}
								oninput={(e) => set({ factor: e.currentTarget.value })}
							/>
						{:else if text.worthBy === 'titrant'}
							<Field
								name="molPerL"
								label="Concentration of the titrant"
								unit="mol/L"
								inputmode="decimal"
								value={text.molPerL}
								fault={faultOf('molPerL')}
								oninput={(e) => set({ molPerL: e.currentTarget.value })}
							/>
						{:else}
							{@const key = text.worthBy === 'table' ? 'table' : 'points'}
							<label class="block">
								<span class="font-semibold"
									>{key === 'table' ? 'The table, pasted or typed' : 'Two points'}</span
								>
								<span class="small block text-muted"
									>{text.kind === 'drop-titration' ? 'drops' : 'mL'} and {symbol} on every line</span
								>
								<textarea
									name={key}
									rows={key === 'table' ? 9 : 3}
									value={text[key]}
									oninput={(e) => set({ [key]: e.currentTarget.value.slice(0, MOST_LETTERS + 1) })}
									placeholder={key === 'table' ? '0.00\t560\n0.10\t504\n0.20\t448' : '0 645\n10 489'}
									class="figures mt-1 w-full rounded-md px-3 py-2 border border-line-strong bg-surface"
								></textarea>
							</label>
							{#if key === 'table' && text.kind === 'syringe-titration'}
								<Choice
									name="tableReads"
									label="The table goes by"
									value={text.tableReads}
									items={[
										{ value: 'used', name: 'what was used' },
										{ value: 'left', name: 'what is left' }
									]}
									onchange={(e) => set({ tableReads: e.currentTarget.value as MethodText['tableReads'] })}
								/>
							{/if}
							{#if rows}
								<p class="small {rows.ok ? 'text-muted' : 'font-semibold text-warn'}" role="status">
									{rows.ok
										? `${rows.value.length} rows read, from ${rows.value[0]!.join(' → ')} to ${rows.value.at(-1)!.join(' → ')}.`
										: faultText(rows.fault)}
								</p>
							{/if}
						{/if}
						<div class="grid gap-5 sm:grid-cols-2">
							{#each [['startColour', 'startCss', 'Colour before'], ['endColour', 'endCss', 'Colour at the end']] as const as [name, css, label] (name)}
								<div class="flex items-end gap-3">
									<div class="grow">
										<Field
											{name}
											{label}
											value={text[name]}
											oninput={(e) => set({ [name]: e.currentTarget.value })}
										/>
									</div>
									<input
										type="color"
										aria-label="{label}, shade"
										value={text[css]}
										oninput={(e) => set({ [css]: e.currentTarget.value })}
										class="h-11 w-14 border border-line-strong"
									/>
								</div>
							{/each}
						</div>
					{:else if text.kind === 'display'}
						<div class="grid gap-5 sm:grid-cols-2">
							<Field
								name="resolution"
								label="Last digit of the display"
								unit={symbol}
								inputmode="decimal"
								value={text.resolution}
								fault={faultOf('resolution')}
								oninput={(e) => set({ resolution: e.currentTarget.value })}
							/>
							<Field
								name="rangeHigh"
								label="It shows up to"
								unit={symbol}
								inputmode="decimal"
								value={text.rangeHigh}
								fault={faultOf('rangeHigh')}
								oninput={(e) => set({ rangeHigh: e.currentTarget.value })}
							/>
							<Field
								name="accuracyAbsolute"
								label="Accuracy ±"
								unit={symbol}
								inputmode="decimal"
								value={text.accuracyAbsolute}
								fault={faultOf('accuracyAbsolute')}
								oninput={(e) => set({ accuracyAbsolute: e.currentTarget.value })}
							/>
							<Field
								name="accuracyPercent"
								label="or ±, whichever is greater"
								unit="%"
								inputmode="decimal"
								value={text.accuracyPercent}
								oninput={(e) => set({ accuracyPercent: e.currentTarget.value })}
							/>
						</div>
					{:else}
						<ColourRows rows={text.colours} unit={symbol} onchange={(colours) => set({ colours })} />
					{/if}
				</div>

				<div>
					<label class="block">
						<span class="font-semibold">The steps, as the leaflet has them</span>
						<span class="small block text-muted"
							>one after another, with a semicolon or a new line between; at most {MAX_STEPS}</span
						>
						<textarea
							name="steps"
							rows="5"
							value={text.steps}
							oninput={(e) => set({ steps: e.currentTarget.value.slice(0, MOST_LETTERS) })}
							placeholder="3 drops A; swirl 10 s; wait exactly 4 min; titrate with B until blue"
							class="mt-1 w-full rounded-md px-3 py-2 border border-line-strong bg-surface"></textarea>
					</label>
					<StepRows rows={preview} onchange={(steps) => set({ steps })} fullMl={text.fullMl} />
					<fieldset class="mt-6">
						<legend class="font-semibold">What the labels warn of</legend>
						<div class="mt-2 flex flex-wrap gap-x-6 gap-y-1">
							{#each HAZARDS as hazard (hazard)}
								<label class="flex min-h-11 items-center gap-2">
									<input
										type="checkbox"
										checked={text.hazards.includes(hazard)}
										onchange={() => toggleHazard(hazard)}
										class="h-5 w-5 accent-[var(--ink)]"
									/>
									{HAZARD_NAMES[hazard]}
								</label>
							{/each}
						</div>
						<p class="small text-muted">The cautions then stand beside every step with a reagent.</p>
					</fieldset>
				</div>
			</div>
		{/if}
		{#if general}<div class="mt-6 max-w-[44rem]"><Fault text={general} /></div>{/if}
		<div class="mt-6 flex flex-wrap gap-3">
			<Action kind="primary" type="submit" size="large" disabled={saving}
				>{saving ? 'Saving …' : revises ? 'Save the next version' : 'Save the method'}</Action
			>
			<Action kind="quiet" size="large" href="/waters/{waterId}/methods">Leave it</Action>
		</div>
	</form>
</main>
