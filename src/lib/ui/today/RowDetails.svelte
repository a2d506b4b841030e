<script lang="ts">
	import type { ParameterToday } from '$lib/core/judgement/water';
	import { PARAMETERS, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { reasonsOf } from '$lib/format/judgement/reasons';
	import { boundSentence, gradeWords, rateSentence } from '$lib/format/judgement/verdict';
	import { bandInUnit, inUnit, resultInUnit } from '$lib/format/quantity';

	/** What stands behind a row: its band, its rate, what was read, and why the verdict is what it is. */
	let { row, unit, timeZone, now }: { row: ParameterToday; unit: UnitId; timeZone: string; now: Instant } =
		$props();

	const { parameter, band, estimate, last, single, atS35 } = $derived(row);
	const byItself = $derived(
		single?.grade && single.grade !== estimate?.verdict.grade
			? `, by itself ${gradeWords(single.grade, single.side).toLowerCase()}`
			: ''
	);
	const same = $derived(
		atS35 && Math.abs(atS35.salinity - 35) > 0.3 ? inUnit(parameter, atS35.value, atS35.u, unit) : null
	);
	const reasons = $derived(reasonsOf(row, unit));
</script>

<div class="small figures grid gap-x-10 gap-y-2 pt-1 pb-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
	<div>
		{#if band}<p>Wanted: {bandInUnit(parameter, band, unit)}.</p>{/if}
		{#if estimate}
			<p>{rateSentence({ parameter, ...estimate }, unit)}</p>
		{:else}
			<p>
				{last.result.kind === 'bound' ? boundSentence(last.result, band, unit) : ''}
				{last.result.kind === 'bound' ? 'Only bounds so far' : 'Readings too few'}: no estimate.
			</p>
		{/if}
		<p class="text-muted">
			Read {ago(last.at, timeZone, now)}: {resultInUnit(last.result, unit)}{byItself}
		</p>
		{#if same}<p class="text-muted">At S = 35 it would be {same.value} ± {same.plusMinus}</p>{/if}
	</div>
	<ul class="border-b" aria-label="Why, for {PARAMETERS[parameter].name}">
		{#each reasons as reason (reason)}<li class="border-t py-1.5">{reason}</li>{/each}
	</ul>
</div>
