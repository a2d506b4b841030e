<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Band } from '$lib/core/judgement';
	import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { bandInUnit, limitInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';

	interface Props {
		parameter: ParameterId;
		/** Newest first. */
		history: readonly (Band & { readonly source: string; readonly fromAt: Instant })[];
		suggestion: Band | null;
		suggestionSource: string;
		id: string;
		unit: UnitId;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string } | null;
	}
	let { parameter, history, suggestion, suggestionSource, id, unit, timeZone, now, refused }: Props =
		$props();

	const current = $derived(history.find((h) => h.fromAt <= now) ?? null);
	const start = $derived(suggestion ?? current);
	const shown = (name: 'low' | 'high' | 'aim') => {
		const entered = refused?.entered[name];
		if (entered !== undefined) return entered;
		const value = start?.[name] ?? null;
		return value === null ? '' : limitInUnit(parameter, value, unit);
	};
	const hasBand = (band: Band) => band.low !== null || band.high !== null;
	const fault = (name: string) => (refused?.field === name ? refused.text : undefined);
	const general = $derived(
		refused && !['low', 'high', 'aim', 'source', 'fromAt'].includes(refused.field) ? refused.text : null
	);
</script>

<section class="mt-8 border-t pt-5" aria-labelledby="target-{parameter}">
	<h2 id="target-{parameter}" class="text-2xl">{PARAMETERS[parameter].name}</h2>
	<p class="figures">
		{#if current && hasBand(current)}
			<strong>{bandInUnit(parameter, current, unit)} {UNITS[unit].symbol}</strong>{current.aim === null
				? ''
				: `, aim ${limitInUnit(parameter, current.aim, unit)}`}
			<span class="text-muted">since {shortDay(current.fromAt, timeZone, now)}. {current.source}.</span>
		{:else}
			<span class="text-muted">No band set.</span>
		{/if}
	</p>
	<form
		method="post"
		use:enhance={sending}
		class="mt-4 grid gap-4 sm:grid-cols-3 lg:grid-cols-[1fr_1fr_1fr_2fr]"
	>
		<Hidden name="id" value={refused?.entered.id ?? id} />
		<Hidden name="parameter" value={parameter} />
		{#if general}<div class="sm:col-span-3 lg:col-span-4"><Fault text={general} /></div>{/if}
		<Field
			name="low"
			label="From"
			unit={UNITS[unit].symbol}
			inputmode="decimal"
			value={shown('low')}
			fault={fault('low')}
		/>
		<Field
			name="high"
			label="To"
			unit={UNITS[unit].symbol}
			inputmode="decimal"
			value={shown('high')}
			fault={fault('high')}
		/>
		<Field
			name="aim"
			label="Aim"
			unit={UNITS[unit].symbol}
			inputmode="decimal"
			value={shown('aim')}
			fault={fault('aim')}
		/>
		<Field
			name="source"
			label="Where it comes from"
			value={refused?.entered.source ?? (suggestion ? suggestionSource : 'My own')}
			fault={fault('source')}
		/>
		<div class="sm:col-span-2">
			<WhenField
				name="fromAt"
				label="Counts from"
				entered={refused?.entered.fromAt}
				{timeZone}
				{now}
				fault={fault('fromAt')}
				help=""
			/>
		</div>
		<div class="flex items-end">
			<Button type="submit">Set {nameWithin(parameter)}</Button>
		</div>
	</form>
	{#if history.length > 1}
		<Disclosure class="small mt-3" title="Earlier and later bands" look="link min-h-8">
			<ul class="figures mt-1">
				{#each history as band, i (i)}
					<li class="border-t py-1">
						from {shortDay(band.fromAt, timeZone, now)}: {hasBand(band)
							? bandInUnit(parameter, band, unit)
							: 'none'}
						<span class="text-muted">{band.source}</span>
					</li>
				{/each}
			</ul>
		</Disclosure>
	{/if}
</section>
