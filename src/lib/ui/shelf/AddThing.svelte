<script lang="ts">
	import { enhance } from '$app/forms';
	import { LONGEST } from '$lib/contract/lengths';
	import { OWNED_BY_REAGENT, SHELF_KINDS, type ShelfKind } from '$lib/contract/choices';
	import type { UnusedSchool } from '$lib/contract/shelf-view';
	import type { Method } from '$lib/core/method';
	import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { usePerTest } from '$lib/core/shelf';
	import type { CivilDate } from '$lib/core/time';
	import { SHELF_KIND_NAMES } from '$lib/format/shelf/shelf';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		waterId: string;
		methods: readonly Method[];
		/** What was asked for in the address, or sent and refused. */
		asked: { readonly kind: string | null; readonly code: string | null };
		id: string;
		/** Where the water is. */
		today: CivilDate;
		units: Readonly<Record<ParameterId, UnitId>>;
		unused: UnusedSchool;
		refused: { entered: Record<string, string>; field: string; text: string } | null;
	}
	let { waterId, methods, asked, id, today, units, unused, refused }: Props = $props();

	const INSTRUMENTS = new Set<Method['kind']>(['display', 'scale-line', 'float', 'thermometer']);
	const base = $derived(`/waters/${waterId}/shelf`);
	const kind = $derived(SHELF_KINDS.find((k) => k === asked.kind) ?? null);
	const readable = $derived(methods.filter((m) => m.kind !== 'stated'));
	const choices = $derived(
		kind === 'kit'
			? readable.filter((m) => m.reagents.length > 0)
			: kind === 'instrument'
				? readable.filter((m) => INSTRUMENTS.has(m.kind))
				: []
	);
	const method = $derived(choices.find((m) => m.code === asked.code) ?? null);
	const complete = $derived(kind !== null && (choices.length === 0 || method !== null));
	const WHAT: Readonly<Record<ShelfKind, string>> = {
		kit: 'A bought kit or refill of one lot: its bottles, dates and price.',
		standard: 'A solution whose content is known, bought or made: it checks the kits.',
		instrument: 'Display meter, refractometer, float, thermometer, probe.',
		syringe: 'With the reagent that it belongs to.',
		scoop: 'With the powder that it belongs to.',
		vial: 'Vials and cuvettes are shared.',
		stirrer: 'Shared.'
	};
	/** Bottles as large as the pack needs for its tests, a little over; the label knows better. */
	const bottles = $derived.by(() => {
		if (!method || kind !== 'kit') return [];
		const tests = method.pack.tests ?? 50;
		return usePerTest(method, 'full', { putsBack: unused === 'put-back', levels: {} }).map(
			({ reagent, unit, amount }) => ({ reagent, unit, full: Math.ceil((amount * tests) / 5) * 5 })
		);
	});
	const owners = $derived([
		{ value: '', name: 'to none: it is shared' },
		...readable.flatMap((m) =>
			m.reagents.map((r) => ({ value: `${m.code}/${r.label}`, name: `${m.name}, ${r.label}` }))
		)
	]);
	const was = (name: string, fallback = '') => refused?.entered[name] ?? fallback;
	const fault = (name: string) => (refused?.field === name ? refused.text : undefined);
	const FIELDS = new Set(['name', 'lotCode', 'price', 'boughtAt', 'expiresAt']);
</script>

<main class="page max-w-[52rem]!">
	<p class="label"><a class="link" href={base}>Shelf</a></p>
	<h1 class="mt-2 text-3xl">
		{complete && kind ? (method?.name ?? SHELF_KIND_NAMES[kind]) : 'Put something on the shelf'}
	</h1>

	{#if kind === null}
		<ul class="mt-6 border-t">
			{#each SHELF_KINDS as k (k)}
				<li class="border-b">
					<a class="flex min-h-14 flex-col justify-center py-3 hover:bg-paper" href="{base}/new?kind={k}">
						<strong>{SHELF_KIND_NAMES[k]}</strong><span class="small text-muted">{WHAT[k]}</span>
					</a>
				</li>
			{/each}
		</ul>
	{:else if !complete}
		<p class="mt-1 text-muted">
			{kind === 'kit'
				? 'Which kit is it? Its own method must be here: enter it from the leaflet if it is missing.'
				: 'How is it read?'}
		</p>
		<ul class="mt-6 border-t">
			{#each choices as m (m.code)}
				<li class="border-b">
					<a
						class="flex min-h-12 items-baseline justify-between gap-4 py-3 hover:bg-paper"
						href="{base}/new?kind={kind}&method={m.code}"
					>
						<strong>{m.name}</strong><span class="small text-muted">{PARAMETERS[m.parameter].name}</span>
					</a>
				</li>
			{/each}
		</ul>
		{#if kind === 'kit'}<p class="mt-4">
				<a class="link" href="/waters/{waterId}/methods/new">Enter another method from its leaflet</a>
			</p>{/if}
	{:else}
		<form method="post" use:enhance={sending} class="mt-6 space-y-6">
			<Hidden name="id" value={was('id', id)} />
			<Hidden name="kind" value={kind} />
			<Hidden name="method" value={method ? `${method.code}@${method.version}` : ''} />
			{#if refused && !FIELDS.has(refused.field)}<Fault text={refused.text} />{/if}
			{#if method && kind === 'kit'}
				<p class="small text-muted">
					Steps and worth are those of version {method.version}. Is the leaflet in this pack another one?
					<a class="link" href="/waters/{waterId}/methods/{method.code}">Compare it first</a>, and enter what
					differs.
				</p>
			{/if}
			<div class="grid gap-4 sm:grid-cols-2">
				<Field
					name="name"
					label="Name"
					value={was(
						'name',
						method?.name ?? (kind === 'standard' ? 'Check solution' : SHELF_KIND_NAMES[kind])
					)}
					fault={fault('name')}
					required
					maxlength={LONGEST.thing}
				/>
				<Field
					name="lotCode"
					label="Lot or mark"
					value={was('lotCode')}
					fault={fault('lotCode')}
					maxlength={LONGEST.lotCode}
					help="As printed; empty if there is none."
				/>
				<DateField name="boughtAt" label="Bought" {today} value={was('boughtAt')} fault={fault('boughtAt')} />
				<DateField
					name="expiresAt"
					label="Good until"
					{today}
					value={was('expiresAt')}
					fault={fault('expiresAt')}
					help={method?.pack.openedMonths
						? `Opened it keeps ${method.pack.openedMonths} months; that is counted by itself.`
						: ''}
				/>
				<Field
					name="price"
					label="Price"
					inputmode="decimal"
					value={was('price', method?.pack.price != null ? String(method.pack.price) : '')}
					fault={fault('price')}
				/>
				{#if kind === 'kit'}<Field
						name="tests"
						label="Tests in the pack"
						inputmode="numeric"
						value={was('tests', method?.pack.tests != null ? String(method.pack.tests) : '')}
						fault={fault('details.tests')}
					/>{/if}
			</div>
			{#if bottles.length > 0}
				<fieldset>
					<legend class="text-xl font-semibold">What is in the bottles</legend>
					<p class="small text-muted">
						Reckoned from the tests in the pack. Put in what the labels say; then it is told which ends first.
					</p>
					<div class="mt-3 grid gap-4 sm:grid-cols-3">
						{#each bottles as b (b.reagent)}
							<div>
								<Hidden name="bottle" value={b.reagent} />
								<Hidden name="unit.{b.reagent}" value={b.unit} />
								<Field
									name="full.{b.reagent}"
									label={b.reagent}
									unit={b.unit === 'ml' ? 'mL' : 'scoops'}
									inputmode="decimal"
									value={was(`full.${b.reagent}`, String(b.full))}
								/>
							</div>
						{/each}
					</div>
				</fieldset>
			{/if}
			{#if kind === 'standard'}
				<fieldset>
					<legend class="text-xl font-semibold">What it holds</legend>
					<p class="small text-muted">
						Leave empty what it is not for. ± as on its label (k = 2); without one 1 % is taken.
					</p>
					<div class="mt-3 grid gap-x-6 gap-y-3 sm:grid-cols-2">
						{#each PARAMETER_IDS as p (p)}
							<div class="grid grid-cols-[1fr_6rem] items-end gap-3">
								<Field
									name="content.{p}"
									label={PARAMETERS[p].name}
									unit={UNITS[units[p]].symbol}
									inputmode="decimal"
									value={was(`content.${p}`)}
								/>
								<Field
									name="u.{p}"
									label="±"
									inputmode="decimal"
									value={was(`u.${p}`)}
									aria-label="{PARAMETERS[p].name}, plus or minus"
								/>
							</div>
						{/each}
					</div>
				</fieldset>
			{/if}
			{#if OWNED_BY_REAGENT.has(kind)}
				<Choice name="belongsTo" label="Belongs to" items={owners} value={was('belongsTo')} />
			{/if}
			<div class="flex flex-wrap gap-3">
				<Button kind="primary" size="large" type="submit">Put it on the shelf</Button>
				<Button kind="quiet" href={base}>Leave it</Button>
			</div>
		</form>
	{/if}
</main>
