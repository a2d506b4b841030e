<script lang="ts">
	import { enhance } from '$app/forms';
	import { correctedReading, correctionFields } from '$lib/contract/correction';
	import { LONGEST } from '$lib/contract/lengths';
	import type { SaidBeforeRun } from '$lib/contract/practice';
	import type { Method } from '$lib/core/method';
	import type { DoubtfulReading, SlipExplanation } from '$lib/core/plausibility';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { COVERAGE } from '$lib/core/uncertainty';
	import { deriveWith, type KnownKit, type RawReading, type TestResult } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import { faultText } from '$lib/format/faults/faults';
	import { inUnit, resultInUnit } from '$lib/format/quantity';
	import { readingWords } from '$lib/format/log/reading';
	import { SLIP_NAMES } from '$lib/format/log/slip';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import VoiceNotes from '$lib/ui/shared/VoiceNotes.svelte';
	import Reckoning from '$lib/ui/shared/Reckoning.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import CorrectionFields from './CorrectionFields.svelte';
	import DoubtPanel from './DoubtPanel.svelte';

	interface Props {
		id: string;
		keepId: string;
		waterId: string;
		/** Where the reading does not fit what was expected. */
		doubt: DoubtfulReading | null;
		logged: {
			readonly runId: string;
			readonly at: Instant;
			readonly method: Method;
			/** What its results came from, where that is a newer version. */
			readonly derivedBy: { readonly method: Method };
			readonly reading: RawReading;
			readonly results: readonly TestResult[];
			readonly replacedBecause: string | null;
		};
		/** Steps that were done by heart. */
		byHeart: number;
		/** What its reader expected before they read; null where they said nothing. */
		said?: SaidBeforeRun | null;
		/** What is known of the kit that it was made with. */
		kit: KnownKit;
		photographs: readonly string[];
		voiceNotes: readonly string[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let {
		id,
		keepId,
		waterId,
		doubt,
		logged,
		byHeart,
		said = null,
		kit,
		photographs,
		voiceNotes,
		units,
		timeZone,
		now,
		refused
	}: Props = $props();

	const method = $derived(logged.method);
	const before = (name: string) => refused?.entered[name];
	const fields = $derived(correctionFields(method, logged.reading));
	/** What stands in the fields now; a tick that is not sent is off. */
	let entered = $derived<Record<string, string>>(
		Object.fromEntries(fields.map((f) => [f.name, refused ? (before(f.name) ?? '') : f.value]))
	);
	const results = (all: readonly TestResult[]) =>
		all.map((r) => resultInUnit(r, units[r.parameter])).join('; ');
	const corrected = $derived(
		deriveWith(
			logged.derivedBy.method,
			correctedReading(logged.reading, (name) => entered[name] ?? ''),
			kit
		)
	);
	/** What the reading would be worth as it now stands. */
	const would = $derived(corrected.ok ? results(corrected.value.outcomes.map((o) => o.result)) : null);

	/** What stands, reckoned again from what was read. */
	const standing = $derived(deriveWith(logged.derivedBy.method, logged.reading, kit));
	const outcomes = $derived(standing.ok ? standing.value.outcomes : []);

	/** The slip that was said to be it; the fields then stand as it was meant. */
	let slip = $state.raw<SlipExplanation | null>(null);
	function take(chosen: SlipExplanation): void {
		slip = chosen;
		entered = Object.fromEntries(correctionFields(method, chosen.reading).map((f) => [f.name, f.value]));
	}
	const reasonFor = (chosen: SlipExplanation) => `It was ${SLIP_NAMES[chosen.kind]}.`;

	function set(name: string, value: string): void {
		entered = { ...entered, [name]: value };
	}
</script>

<main class="page max-w-[44rem]!">
	<h1 class="text-3xl">Correct a reading</h1>
	<p class="figures mt-1 text-muted">
		{PARAMETERS[method.parameter].name}, {method.name}, {shortDay(logged.at, timeZone, now)}, {clockTime(
			logged.at,
			timeZone
		)}. The old reading stays in the Log, struck out, with your reason.
	</p>

	<Table class="mt-6">
		<tbody>
			<tr class="border-y">
				<th scope="row" class="py-3 pr-4 text-left font-normal text-muted">As it stands</th>
				<td class="py-3 pr-4">{readingWords(method, logged.reading)}</td>
				<td class="py-3 text-right font-semibold">{results(logged.results)}</td>
			</tr>
			<tr class="border-b">
				<th scope="row" class="py-3 pr-4 text-left font-normal text-muted">Corrected</th>
				<td class="py-3 pr-4 text-warn">{corrected.ok ? '' : faultText(corrected.fault)}</td>
				<td class="py-3 text-right font-semibold" aria-live="polite">{would ?? '–'}</td>
			</tr>
		</tbody>
	</Table>

	{#if said}
		{@const shown = inUnit(said.parameter, said.expected, said.give / COVERAGE, units[said.parameter])}
		<p class="small figures mt-3 text-muted">
			Said before it was read: {shown.value}, give or take {shown.plusMinus}
			{UNITS[units[said.parameter]].symbol}.
		</p>
	{/if}
	{#if byHeart > 0}
		<p class="small mt-3 text-muted">
			A habit, no deviation: {byHeart === 1 ? 'one step was' : `${byHeart} steps were`} done by heart, neither counted
			nor timed here.
		</p>
	{/if}
	{#if doubt && !slip && !refused}
		<DoubtPanel
			{doubt}
			{method}
			reading={logged.reading}
			unit={units[doubt.parameter]}
			{keepId}
			{waterId}
			onslip={take}
		/>
	{/if}

	{#if logged.replacedBecause !== null}
		<div class="mt-6">
			<Fault
				text="This reading was corrected already{logged.replacedBecause
					? ` (${logged.replacedBecause})`
					: ''}. Correct the newer one instead."
			/>
		</div>
	{:else}
		<form method="post" action="?/correct" use:enhance={sending} class="mt-6 space-y-5">
			<Hidden name="id" value={before('id') ?? id} />
			<Hidden name="slip" value={slip?.kind ?? before('slip') ?? ''} />
			{#if refused && refused.field !== 'reason'}<Fault text={refused.text} />{/if}
			<CorrectionFields {method} {fields} {entered} onset={set} />
			<Field
				name="reason"
				label="Why is it corrected?"
				maxlength={LONGEST.reason}
				value={before('reason') ?? (slip ? reasonFor(slip) : '')}
				fault={refused?.field === 'reason' ? refused.text : undefined}
			/>
			<div class="flex flex-wrap gap-3 pt-2">
				<Button kind="primary" type="submit" size="large">Save the correction</Button>
				<Button kind="quiet" size="large" href="/waters/{waterId}/log">Leave it as it is</Button>
			</div>
		</form>
	{/if}

	<section class="mt-12 border-t pt-6" aria-labelledby="photographs">
		<h2 id="photographs" class="label mb-2">Photographs</h2>
		<Photographs {waterId} of={{ run: logged.runId }} {photographs} what="this test" />
	</section>
	<section class="mt-12 border-t pt-6" aria-labelledby="voice-notes">
		<h2 id="voice-notes" class="label mb-2">Voice notes</h2>
		<VoiceNotes {waterId} runId={logged.runId} kept={voiceNotes} what="this test" />
	</section>
	<div id="reckoning" class="mt-12 border-t pt-6">
		{#each outcomes as outcome, which (outcome.result.parameter)}
			<Reckoning
				method={logged.derivedBy.method}
				reading={logged.reading}
				{kit}
				{outcome}
				{which}
				unit={units[outcome.result.parameter]}
				named={outcomes.length > 1}
			/>
		{/each}
	</div>
</main>
