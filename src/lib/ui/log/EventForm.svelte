<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { LONGEST } from '$lib/contract/lengths';
	import { convert, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { EventDetails, EventKind } from '$lib/core/record';
	import type { Instant } from '$lib/core/time';
	import { EVENT_NAMES } from '$lib/format/log/event';
	import { LABEL_FIRST } from '$lib/format/bench/hazard';
	import { plain } from '$lib/format/number';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import Tabs from '$lib/ui/kit/Tabs.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';
	import ValueFields from './ValueFields.svelte';

	interface Props {
		id: string;
		waterId: string;
		kind: string;
		/** Earlier doses, newest first: their supplements are offered again. */
		used: readonly EventDetails[];
		/** Batches that were mixed and tested, newest first. */
		batches: readonly {
			readonly name: string;
			readonly levels: Readonly<Partial<Record<ParameterId, { readonly value: number }>>>;
		}[];
		/** What the page before knows already. */
		given: { readonly litres: string; readonly batch: string | null };
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		netVolumeL: number | null;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { id, waterId, kind, used, batches, given, units, timeZone, now, netVolumeL, refused }: Props =
		$props();

	const SECTIONS = [
		{ kind: 'dose', name: 'One dose' },
		{ kind: 'recurring-dose', name: 'Daily dose set' },
		{ kind: 'recurring-dose-missed', name: 'Daily dose missed' },
		{ kind: 'water-change', name: 'Water change' },
		{ kind: 'new-mix', name: 'New batch mixed' },
		{ kind: 'note', name: 'Note or event' }
	] as const;
	const OTHERS: readonly EventKind[] = [
		'note',
		'feeding',
		'top-up',
		'animals-in',
		'animals-out',
		'animal-moved',
		'death',
		'algae',
		'browning',
		'medium-in',
		'medium-out',
		'bottle-kept',
		'failure'
	];
	/** What asks for tests, and may have a suspect. */
	const SUSPECTED: ReadonlySet<EventKind> = new Set([
		'death',
		'algae',
		'browning',
		'medium-in',
		'animal-moved'
	]);
	let other = $state<EventKind>(untrack(() => OTHERS.find((k) => k === kind) ?? 'note'));
	const section = $derived(SECTIONS.find((s) => s.kind === kind)?.kind ?? 'note');

	interface Known {
		readonly supplement: string;
		readonly strength: readonly { parameter: ParameterId; risePerMlIn100L: number }[];
	}
	const known = $derived.by(() => {
		const byName: Record<string, Known> = {};
		for (const details of used) {
			if ('supplement' in details && 'strength' in details) byName[details.supplement] ??= details;
		}
		return Object.values(byName);
	});
	const first = $derived(known[0]);
	const before = (name: string) => refused?.entered[name];
	const fault = (name: string) =>
		refused && (refused.field === name || refused.field.startsWith(`${name}.`)) ? refused.text : undefined;
	/** A fault that belongs to no field on this form stands above it. */
	const general = $derived(
		refused && !/^(details\.|happenedAt|note|volumeL)/.test(refused.field) ? refused.text : null
	);

	/** So many batches are offered. */
	const MOST_BATCHES = 6;
	const OTHER = '…';
	/** The batch that the new water came from: its tests need no retyping. */
	let batch = $state(
		untrack(() => refused?.entered['details.batch'] ?? given.batch ?? batches[0]?.name ?? OTHER)
	);
	const tested = $derived(batches.find((b) => b.name === batch)?.levels ?? null);
	function newWaterOf(parameter: ParameterId): string {
		const entered = before(`details.newWater.${parameter}`);
		if (entered !== undefined) return entered;
		const level = tested?.[parameter];
		if (!level) return '';
		const shown = convert(level.value, PARAMETERS[parameter].canonicalUnit, units[parameter]);
		return plain(Number(shown.toPrecision(3)));
	}

	let supplement = $derived(before('details.supplement') ?? first?.supplement ?? '');
	function strengthOf(parameter: ParameterId): string {
		const entered = before(`details.strength.${parameter}`);
		if (entered !== undefined) return entered;
		const found = known
			.find((k) => k.supplement === supplement)
			?.strength.find((s) => s.parameter === parameter);
		return found
			? plain(
					Number(
						convert(found.risePerMlIn100L, PARAMETERS[parameter].canonicalUnit, units[parameter]).toPrecision(
							4
						)
					)
				)
			: '';
	}
</script>

<main class="page max-w-[44rem]!">
	<h1 class="text-3xl">Enter something</h1>
	<div class="mt-4">
		<Tabs
			label="What"
			items={[
				...SECTIONS.map(({ kind: choice, name }) => ({
					href: `?kind=${choice}`,
					name,
					current: choice === section
				})),
				{ href: `/waters/${waterId}/log/result`, name: 'Result from elsewhere' },
				{ href: `/waters/${waterId}/laboratory`, name: 'Laboratory' }
			]}
		/>
	</div>

	<form method="post" use:enhance={sending} class="mt-6 space-y-5">
		<Hidden name="id" value={before('id') ?? id} />
		{#if general}<Fault text={general} />{/if}

		{#if section === 'note'}
			<Choice
				name="kind"
				label="What happened"
				value={other}
				items={OTHERS.map((k) => ({ value: k, name: EVENT_NAMES[k] }))}
				onpick={(picked) => (other = picked as EventKind)}
			/>
			{#if SUSPECTED.has(other)}
				<Choice
					name="details.suspected"
					label="Somebody suspects"
					value={before('details.suspected') ?? ''}
					items={[
						{ value: '', name: 'nothing yet' },
						...PARAMETER_IDS.map((p) => ({ value: p, name: PARAMETERS[p].name }))
					]}
					help="It is tested first, before anything is done about it."
				/>
			{/if}
		{:else}
			<Hidden name="kind" value={section} />
		{/if}

		{#if section === 'dose' || section === 'recurring-dose' || section === 'recurring-dose-missed'}
			<Field
				name="details.supplement"
				label="Supplement"
				value={supplement}
				oninput={(e) => (supplement = e.currentTarget.value)}
				list="supplements"
				autocomplete="off"
				fault={fault('details.supplement')}
			/>
			<datalist id="supplements"
				>{#each known as k (k.supplement)}<option value={k.supplement}></option>{/each}</datalist
			>
		{/if}
		{#if section === 'dose'}
			<Field
				name="details.amountMl"
				label="Amount"
				unit="mL"
				inputmode="decimal"
				value={before('details.amountMl') ?? ''}
				fault={fault('details.amountMl')}
			/>
		{:else if section === 'recurring-dose'}
			<Field
				name="details.amountMlPerDay"
				label="Amount per day, from then on"
				unit="mL a day"
				inputmode="decimal"
				help="0 stops it."
				value={before('details.amountMlPerDay') ?? ''}
				fault={fault('details.amountMlPerDay')}
			/>
		{:else if section === 'recurring-dose-missed'}
			<Field
				name="details.days"
				label="For how many days from then on"
				unit="days"
				inputmode="decimal"
				value={before('details.days') ?? ''}
				fault={fault('details.days')}
			/>
		{:else if section === 'water-change'}
			<LitresField
				name="details.volumeL"
				label="Volume changed"
				help={netVolumeL === null ? '' : `The water holds ${litresWords(netVolumeL)}.`}
				value={before('details.volumeL') ?? given.litres}
				fault={fault('details.volumeL') ?? fault('volumeL')}
			/>
			{#if batches.length > 0 && batch !== OTHER}
				<Choice
					name="details.batch"
					label="Batch of new water"
					value={batch}
					items={[
						...batches.slice(0, MOST_BATCHES).map((b) => ({ value: b.name, name: b.name })),
						{ value: OTHER, name: 'another one …' }
					]}
					help={tested ? 'What its barrel was tested for is filled in below.' : 'Its barrel was not tested.'}
					fault={fault('details.batch')}
					onpick={(picked) => (batch = picked)}
				/>
			{:else}
				<Field
					name="details.batch"
					label="Batch of new water"
					value={before('details.batch') ?? ''}
					fault={fault('details.batch')}
				/>
			{/if}
		{:else if section === 'new-mix'}
			<div class="grid gap-5 sm:grid-cols-3">
				<Field
					name="details.batch"
					label="Batch"
					value={before('details.batch') ?? ''}
					fault={fault('details.batch')}
				/>
				<Field
					name="details.saltLot"
					label="Lot of the salt"
					value={before('details.saltLot') ?? ''}
					fault={fault('details.saltLot')}
				/>
				<LitresField
					name="details.volumeL"
					label="Mixed"
					value={before('details.volumeL') ?? ''}
					fault={fault('details.volumeL')}
				/>
			</div>
		{/if}
		{#if section === 'dose' || section === 'recurring-dose'}
			<ValueFields of="strength" shown={strengthOf} {units} fault={fault('details.strength')} />
		{:else if section === 'water-change'}
			{#key batch}
				<ValueFields of="new-water" shown={newWaterOf} {units} fault={fault('details.newWater')} />
			{/key}
		{/if}

		<WhenField
			name="happenedAt"
			label="When"
			entered={before('happenedAt')}
			{timeZone}
			{now}
			fault={fault('happenedAt')}
		/>
		<Field
			name="note"
			label={section === 'note' ? 'What' : 'Note'}
			maxlength={LONGEST.note}
			value={before('note') ?? ''}
			fault={fault('note')}
		/>

		{#if section === 'dose' || section === 'recurring-dose'}
			<p class="small border-l-4 border-line-strong pl-4">
				<strong>Cautions.</strong> Never mix concentrates; add each slowly, apart, where the flow is strong.
				Many carbonate and lime solutions are caustic: gloves and goggles, away from children and pets. {LABEL_FIRST}
			</p>
		{:else if section === 'water-change'}
			<p class="small border-l-4 border-line-strong pl-4">
				<strong>Cautions.</strong> Heaters and pumps off before hands or water levels move; match temperature and
				salinity. All on again afterwards.
			</p>
		{/if}
		<div class="flex flex-wrap gap-3 pt-2">
			<Button kind="primary" type="submit" size="large">Save the entry</Button>
			<Button kind="quiet" size="large" href="/waters/{waterId}/log">Back to the Log</Button>
		</div>
	</form>
</main>
