<script lang="ts">
	import { PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import { largestComponent } from '$lib/core/uncertainty';
	import type { SlipCandidate } from '$lib/core/plausibility';
	import { stepsFor } from '$lib/core/method';
	import { arithmeticWords, budgetWords, sourceHelp, sourceName } from '$lib/format/arithmetic';
	import { percent } from '$lib/format/number';
	import { inUnit, resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/reading';
	import { expectationSentence, isWarning, verdictSentence } from '$lib/format/verdict';
	import { LABEL_FIRST } from '$lib/format/hazard';
	import Action from '$lib/ui/shared/Action.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import type { Measurement } from './measure';

	interface Props {
		desk: BenchDesk;
		measurement: Measurement;
		unit: UnitId;
		saving: boolean;
		fault: string | null;
		onsave: () => void;
		onback: () => void;
		onslip: (slip: SlipCandidate) => void;
		onrepeat: () => void;
	}
	let { desk, measurement, unit, saving, fault, onsave, onback, onslip, onrepeat }: Props = $props();

	const method = $derived(desk.method!);
	const draft = $derived(desk.draft!);
	const derivation = $derived(measurement.derived.ok ? measurement.derived.value : null);
	const result = $derived(derivation?.result ?? null);
	const value = $derived(result?.kind === 'value' ? result : null);
	const shown = $derived(
		value && inUnit(value.parameter, value.value, Math.hypot(value.uRandom, value.uCommon), unit)
	);
	const verdict = $derived(measurement.verdict);
	const largest = $derived(
		derivation && derivation.components.length > 0 ? largestComponent(derivation.components) : null
	);
	const slip = $derived(measurement.slips?.ask ?? null);
	let answered = $state(false);
	const asking = $derived(slip !== null && !answered);
	const deviations = $derived(desk.progress?.deviations ?? []);
	const stepName = (id: string) => stepsFor(method, draft.portion).find((s) => s.id === id)?.say ?? id;

	function slipSentence(candidate: SlipCandidate): string {
		const name = PARAMETERS[method.parameter].name.toLowerCase();
		const own = shown ? `${shown.value} ${UNITS[unit].symbol}` : '';
		const other = inUnit(method.parameter, candidate.value, value?.uRandom ?? 1, unit).value;
		const what =
			candidate.kind === 'left-for-used'
				? `Did you enter what was ${candidate.reading.readAs} as what was ${measurement.reading.readAs}?`
				: `Is the decimal point in its place? The syringe would then show ${readingWords(candidate.reading)}.`;
		return `${what} Then ${name} would be ${other} ${UNITS[unit].symbol}, which fits the last readings; ${own} does not.`;
	}
	function key(event: KeyboardEvent): void {
		const typing = event.target instanceof HTMLTextAreaElement || event.target instanceof HTMLInputElement;
		const onButton =
			event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null;
		if (event.key === 'Escape') onback();
		else if (event.key === 'Enter' && !typing && !onButton && !asking && !saving) onsave();
	}
</script>

<svelte:window onkeydown={key} />

<div class="page grid max-w-[72rem]! gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1fr)_26rem]">
	<div>
		<p class="label">{method.name}, read {readingWords(measurement.reading)}</p>
		<h1 class="figures mt-2">
			<span class="visually-hidden">{PARAMETERS[method.parameter].name}</span>
			{#if shown}
				<span class="text-7xl leading-none font-bold tracking-tight">{shown.value}</span>
				<span class="text-3xl font-normal text-muted">± {shown.plusMinus} {UNITS[unit].symbol}</span>
			{:else if result}
				<span class="text-6xl leading-none font-bold">{resultInUnit(result, unit)}</span>
			{/if}
		</h1>
		{#if verdict}
			<p class="mt-5 text-xl">
				<strong class={isWarning(verdict.grade) ? 'text-warn' : ''}
					>{verdictSentence(method.parameter, verdict, unit)}</strong
				>
				{#if !asking}{expectationSentence(method.parameter, verdict, unit)}{/if}
			</p>
		{:else if result}
			<p class="mt-5 text-xl">
				The colour had turned before anything was added, so this is a bound, not a number. Test again with
				fresh reagents.
			</p>
		{/if}

		{#if asking && slip}
			<section aria-label="A question about the reading" class="mt-6 border-y-2 border-ink py-4">
				<p class="text-lg">{slipSentence(slip)}</p>
				<div class="mt-4 flex flex-wrap gap-3">
					<Action kind="primary" onclick={() => onslip(slip)}>Yes, that is it</Action>
					<Action onclick={() => (answered = true)}>No, as entered</Action>
					<Action onclick={onrepeat}>Test again</Action>
				</div>
			</section>
		{/if}
		{#if deviations.length > 0}
			<ul class="small mt-4">
				{#each deviations as deviation (deviation.stepId)}
					<li>
						Not as written: “{stepName(deviation.stepId)}” had {deviation.actual} of {deviation.planned}
						{deviation.what === 'count' ? 'drops' : 'seconds'}. It is kept with the result; if it may matter,
						test again.
					</li>
				{/each}
			</ul>
		{/if}

		<label class="mt-6 block max-w-[34rem]">
			<span class="font-semibold">Note</span>
			<span class="text-muted">(a bad drop, poor light, a doubt; if there is one)</span>
			<textarea
				rows="2"
				maxlength="2000"
				value={draft.note}
				oninput={(e) => desk.change({ note: e.currentTarget.value })}
				class="mt-1 w-full rounded-md border border-line-strong bg-surface px-3 py-2"></textarea>
		</label>
		{#if fault}<div class="mt-4 max-w-[34rem]"><Fault text={fault} /></div>{/if}
		<div class="mt-5 flex flex-wrap gap-3">
			<Action kind={asking ? 'secondary' : 'primary'} size="large" disabled={saving} onclick={onsave}
				>{saving ? 'Saving …' : fault ? 'Save again' : 'Save the result'}</Action
			>
			<Action size="large" onclick={onback}>Back to the syringe</Action>
			<Action kind="quiet" size="large" onclick={onrepeat}>Test again instead</Action>
		</div>
		<p class="small mt-6 max-w-[34rem] text-muted">
			Then rinse the vial and the syringes, close the bottles, wash your hands. {LABEL_FIRST}
		</p>
	</div>

	{#if derivation}
		<div>
			<details open>
				<summary class="label min-h-8">How it was reckoned</summary>
				<dl class="figures mt-1 border-t">
					{#each arithmeticWords(derivation.arithmetic, method.parameter, unit) as line, i (i)}
						<div class="border-b py-2">
							<dt class="small text-muted">{line.what}</dt>
							<dd class="font-semibold">{line.sum}</dd>
						</div>
					{/each}
				</dl>
			</details>
			{#if largest}
				<details open class="mt-6">
					<summary class="label min-h-8">Why ± {shown?.plusMinus}</summary>
					<p class="small mt-1">Most of it is {sourceName(largest.source)}. {sourceHelp(largest.source)}</p>
					<table class="small figures mt-2 w-full border-t">
						<thead class="visually-hidden"><tr><th>Source</th><th>alone, ±</th><th>share</th></tr></thead>
						<tbody>
							{#each budgetWords(derivation.components, method.parameter, unit) as row (row.name)}
								<tr class="border-b">
									<td class="py-1.5 pr-2"
										>{row.name}{#if row.common}<span class="text-muted">, the same every time</span>{/if}</td
									>
									<td class="py-1.5 text-right whitespace-nowrap">± {row.expanded}</td>
									<td class="w-16 py-1.5 text-right text-muted">{percent(row.share)}</td>
								</tr>
							{/each}
						</tbody>
					</table>
					<p class="small mt-2 text-muted">± covers about 95 % (k = 2). Single parts add up as squares.</p>
				</details>
			{/if}
		</div>
	{/if}
</div>
