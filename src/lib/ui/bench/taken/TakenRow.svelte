<script lang="ts">
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { faultText } from '$lib/format/faults/faults';
	import { isWarning, verdictSentence } from '$lib/format/judgement/verdict';
	import { slipQuestion } from '$lib/format/log/slip';
	import { headlineOf, resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import TakenPicture from './TakenPicture.svelte';
	import type { TakenRow, TakenState } from './TakenState.svelte';
	import { fieldsOf } from './typed-reading';

	interface Props {
		taken: TakenState;
		row: TakenRow;
		units: Readonly<Record<ParameterId, UnitId>>;
		/** Enter in a field: on to the next one. */
		onnext: (field: HTMLInputElement) => void;
	}
	let { taken, row, units, onnext }: Props = $props();

	const offers = $derived(taken.offers(row.parameter));
	const offer = $derived(taken.offerOf(row));
	const method = $derived(offer.method);
	const read = $derived(taken.read(row));
	const measurement = $derived(taken.measured(row));
	/** Once a slip was answered the reading is not asked about again. */
	const asked = $derived(row.slip ? null : (measurement?.slips?.ask[0] ?? null));
	const name = $derived(PARAMETERS[row.parameter].name);
	const fault = $derived(read.fault ?? measurement?.fault ?? null);
</script>

<li
	class="grid items-start gap-x-5 gap-y-2 border-t py-3 md:grid-cols-[14rem_minmax(15rem,1fr)_150px_minmax(12rem,1fr)]"
>
	<div>
		<strong class="text-lg">{name}</strong>
		{#if offers.length > 1 && !row.saved}
			<Choice
				label="Method for {name}"
				bare
				value={row.code}
				items={offers.map((o) => ({ value: o.method.code, name: o.method.name }))}
				onpick={(code) => taken.change(row, { code, typed: {} })}
			/>
		{:else}<span class="small block text-muted">{method.name}</span>{/if}
	</div>
	{#if row.saved}
		<p class="small text-muted">
			{row.saved.here ? 'Kept on this device; it is sent when the server is back.' : 'Saved.'}
		</p>
	{:else}
		<div class="flex flex-wrap gap-3" role="group" aria-label={name}>
			{#each fieldsOf(method) as field (field.id)}
				<Field
					label={field.label}
					quiet
					class="w-56"
					unit={field.unit}
					inputmode={field.id.startsWith('titration') || field.id === 'step' ? 'text' : 'decimal'}
					placeholder={field.hint}
					autocomplete="off"
					data-taken
					value={row.typed[field.id] ?? ''}
					oninput={(e: Event & { currentTarget: HTMLInputElement }) =>
						taken.change(row, { typed: { ...row.typed, [field.id]: e.currentTarget.value } })}
					onkeydown={(e: KeyboardEvent & { currentTarget: HTMLInputElement }) => {
						if (e.key !== 'Enter') return;
						e.preventDefault();
						onnext(e.currentTarget);
					}}
				/>
			{/each}
		</div>
	{/if}
	<div class="pt-1 max-md:hidden">
		<TakenPicture method={row.put?.method ?? method} reading={row.put?.reading ?? read.reading} />
	</div>
	<div class="figures min-w-0" aria-live="polite">
		{#if fault}
			<p class="small font-semibold text-warn">{faultText(fault)}</p>
		{:else if measurement}
			{#each measurement.outcomes as { outcome, verdict } (outcome.result.parameter)}
				{@const head = headlineOf(outcome.result, units[outcome.result.parameter])}
				<p class="leading-tight">
					<strong class="text-2xl">{head.large}</strong>
					<span class="text-muted">{head.small}</span>
				</p>
				{#if verdict}
					<p class="small {isWarning(verdict.grade) ? 'font-semibold text-warn' : 'text-muted'}">
						{verdictSentence(outcome.result.parameter, verdict, units[outcome.result.parameter])}
					</p>
				{/if}
			{/each}
			{#if asked}
				<div class="mt-1 border-l-4 border-ink pl-3">
					<p class="small">
						It does not fit. {slipQuestion(
							asked.kind,
							asked.method,
							measurement.reading,
							asked.reading,
							asked.method.code === method.code ? null : asked.method.name
						)}
						Then {nameWithin(row.parameter)} would be
						<strong>{resultInUnit(asked.result, units[row.parameter])}</strong>.
					</p>
					<p class="flex flex-wrap gap-x-5">
						<Button
							kind="text"
							class="min-h-10"
							onclick={() =>
								taken.change(row, { put: asked, slip: { kind: asked.kind, answer: 'that-is-it' } })}
							>That is it</Button
						>
						<Button
							kind="text"
							class="min-h-10"
							onclick={() => taken.change(row, { slip: { kind: asked.kind, answer: 'as-entered' } })}
							>No, as entered</Button
						>
					</p>
				</div>
			{/if}
		{:else}
			<p class="small text-muted">its result stands here</p>
		{/if}
		{#if row.refused}<p class="small font-semibold text-warn" role="alert">
				Not taken: {row.refused} The others are not touched by it.
			</p>{/if}
	</div>
</li>
