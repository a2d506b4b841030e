<script lang="ts">
	import { enhance } from '$app/forms';
	import type { SyringeMethod } from '$lib/core/method';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { deriveSyringeResult, type SyringeReading, type TestResult } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import { millilitres } from '$lib/format/number';
	import { resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/reading';
	import Action from '$lib/ui/shared/Action.svelte';
	import Choice from '$lib/ui/shared/Choice.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Field from '$lib/ui/shared/Field.svelte';

	interface Props {
		id: string;
		waterId: string;
		logged: {
			readonly at: Instant;
			readonly method: SyringeMethod;
			readonly reading: SyringeReading;
			readonly result: TestResult;
			readonly replacedBecause: string | null;
		};
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { id, waterId, logged, units, timeZone, now, refused }: Props = $props();

	const old = $derived(logged.reading);
	const unit = $derived(units[logged.method.parameter]);
	const before = (name: string) => refused?.entered[name];
	let readAs = $derived(before('readAs') ?? old.readAs);
	let portion = $derived(before('portion') ?? old.portion);
	let unsure = $derived(refused ? before('unsure') === 'on' : !old.sure);
	let ends = $derived(
		old.fills.map(({ end }, i) => ({
			lower: before(`fills.${i}.lowerMl`) ?? millilitres(end.lowerMl),
			upper: before(`fills.${i}.upperMl`) ?? (end.upperMl === end.lowerMl ? '' : millilitres(end.upperMl))
		}))
	);
	const numberOf = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
	/** What the reading would be worth as it now stands; nothing is said of one that is not whole. */
	const would = $derived.by(() => {
		const derived = deriveSyringeResult(logged.method, {
			portion: portion === 'half' ? 'half' : 'full',
			readAs: readAs === 'used' ? 'used' : 'left',
			sure: !unsure,
			fills: old.fills.map(({ startMl }, i) => {
				const a = numberOf(ends[i]!.lower) ?? Number.NaN;
				const b = numberOf(ends[i]!.upper) ?? a;
				return { startMl, end: { lowerMl: Math.min(a, b), upperMl: Math.max(a, b) } };
			})
		});
		return derived.ok ? resultInUnit(derived.value.result, unit) : null;
	});
	function setEnd(i: number, which: 'lower' | 'upper', text: string): void {
		ends = ends.map((e, k) => (k === i ? { ...e, [which]: text } : e));
	}
</script>

<main class="page max-w-[44rem]!">
	<h1 class="text-3xl">Correct a reading</h1>
	<p class="figures mt-1 text-muted">
		{PARAMETERS[logged.method.parameter].name}, {shortDay(logged.at, timeZone, now)}, {clockTime(
			logged.at,
			timeZone
		)}. The old reading stays in the Log, struck out, with your reason.
	</p>

	<table class="figures mt-6 w-full">
		<tbody>
			<tr class="border-y">
				<th scope="row" class="py-3 pr-4 text-left font-normal text-muted">As it stands</th>
				<td class="py-3 pr-4">{readingWords(old)}</td>
				<td class="py-3 text-right font-semibold whitespace-nowrap">{resultInUnit(logged.result, unit)}</td>
			</tr>
			<tr class="border-b">
				<th scope="row" class="py-3 pr-4 text-left font-normal text-muted">Corrected</th>
				<td class="py-3 pr-4"></td>
				<td class="py-3 text-right font-semibold whitespace-nowrap" aria-live="polite">{would ?? '–'}</td>
			</tr>
		</tbody>
	</table>

	{#if logged.replacedBecause !== null}
		<div class="mt-6">
			<Fault
				text="This reading was corrected already ({logged.replacedBecause}). Correct the newer one instead."
			/>
		</div>
	{:else}
		<form
			method="post"
			use:enhance={() =>
				({ update }) =>
					update({ reset: false })}
			class="mt-6 space-y-5"
		>
			<input type="hidden" name="id" value={before('id') ?? id} />
			{#if refused && refused.field !== 'reason'}<Fault text={refused.text} />{/if}
			<div class="grid gap-5 sm:grid-cols-2">
				<Choice
					name="readAs"
					label="What was read"
					bind:value={readAs}
					items={[
						{ value: 'left', name: 'what was left in the syringe' },
						{ value: 'used', name: 'what was used' }
					]}
				/>
				<Choice
					name="portion"
					label="Sample"
					bind:value={portion}
					items={[
						{ value: 'full', name: `full, ${logged.method.sampleMl.full} mL` },
						{ value: 'half', name: `half, ${logged.method.sampleMl.half} mL` }
					]}
				/>
			</div>
			{#each old.fills as fill, i (i)}
				<div class="grid gap-5 sm:grid-cols-2">
					<Field
						name="fills.{i}.lowerMl"
						label="{old.fills.length > 1 ? `Filling ${i + 1}: reading` : 'Reading'} (began at {millilitres(
							fill.startMl
						)})"
						unit="mL"
						inputmode="decimal"
						value={ends[i]!.lower}
						oninput={(e) => setEnd(i, 'lower', e.currentTarget.value)}
					/>
					<Field
						name="fills.{i}.upperMl"
						label="to, if it was between two marks"
						unit="mL"
						inputmode="decimal"
						value={ends[i]!.upper}
						oninput={(e) => setEnd(i, 'upper', e.currentTarget.value)}
					/>
				</div>
			{/each}
			<label class="flex min-h-11 items-center gap-3">
				<input type="checkbox" name="unsure" bind:checked={unsure} class="h-5 w-5 accent-[var(--ink)]" />
				<span>Not sure of the mark</span>
			</label>
			<Field
				name="reason"
				label="Why is it corrected?"
				maxlength={500}
				value={before('reason') ?? ''}
				fault={refused?.field === 'reason' ? refused.text : undefined}
			/>
			<div class="flex gap-3 pt-2">
				<Action kind="primary" type="submit" size="large">Save the correction</Action>
				<Action kind="quiet" size="large" href="/waters/{waterId}/log">Leave it as it is</Action>
			</div>
		</form>
	{/if}
</main>
