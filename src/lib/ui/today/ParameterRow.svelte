<script lang="ts">
	import type { ParameterToday } from '$lib/core/judgement/water';
	import { convert, PARAMETERS, POSSIBLE_IN_WATER, UNITS, type UnitId } from '$lib/core/quantity';
	import { pointOf } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { COVERAGE, standardUncertaintyOf } from '$lib/core/uncertainty';
	import { ago } from '$lib/format/date';
	import { headlineOf, inUnit, limitInUnit } from '$lib/format/quantity';
	import { clauseWords, gradeWords, isWarning, stripInWords } from '$lib/format/judgement/verdict';
	import Course from '$lib/ui/instrument/Course.svelte';
	import Strip from '$lib/ui/instrument/Strip.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	/** A parameter at one look; what stands behind it opens below. */
	let { row, unit, timeZone, now }: { row: ParameterToday; unit: UnitId; timeZone: string; now: Instant } =
		$props();

	const definition = $derived(PARAMETERS[row.parameter]);
	const symbol = $derived(UNITS[unit].symbol === definition.name ? '' : UNITS[unit].symbol);
	const estimate = $derived(row.estimate);
	const u = $derived(estimate ? standardUncertaintyOf(estimate.now) : 0);
	const shown = $derived(estimate && inUnit(row.parameter, estimate.now.value, u, unit));
	const to = $derived((v: number) => convert(v, definition.canonicalUnit, unit));
	const least = $derived(POSSIBLE_IN_WATER[row.parameter].least);
	const band = $derived(
		row.band && {
			low: row.band.low === null ? null : to(row.band.low),
			high: row.band.high === null ? null : to(row.band.high)
		}
	);
	const verdict = $derived(estimate ? estimate.verdict : row.single);
	const warn = $derived(verdict !== null && isWarning(verdict.grade));
	const last = $derived(row.last.result);
	const lastPoint = $derived(pointOf(last));
	const head = $derived(headlineOf(last, unit));
	let open = $state(false);
</script>

<Disclosure bind:open look="min-h-13 flex-row-reverse py-0.5 hover:bg-paper [&>span]:flex-1">
	{#snippet title()}
		<span class="row">
			<strong class="name text-lg leading-tight">{definition.name}</strong>
			<span class="value figures whitespace-nowrap">
				{#if shown}
					<span class="text-[1.65rem] leading-none font-bold">{shown.value}</span>
					<span class="text-muted">± {shown.plusMinus}</span>
					<span class="small leading-tight text-muted md:block">{symbol}</span>
				{:else}
					<span class="text-[1.65rem] leading-none font-bold">{head.large}</span>
					<span class="small leading-tight text-muted md:block">{head.small}</span>
				{/if}
			</span>
			<span class="strip-of min-w-0 px-1">
				{#if estimate}
					<Strip
						low
						{band}
						value={to(estimate.now.value)}
						lower={to(Math.max(least, estimate.now.value - COVERAGE * u))}
						upper={to(estimate.now.value + COVERAGE * u)}
						reading={lastPoint ? to(lastPoint.value) : null}
						tail={to(estimate.inAWeek.value)}
						{warn}
						lowText={row.band?.low == null ? '' : limitInUnit(row.parameter, row.band.low, unit)}
						highText={row.band?.high == null ? '' : limitInUnit(row.parameter, row.band.high, unit)}
						words={stripInWords(row.parameter, { ...row, now: estimate.now }, unit, timeZone, now)}
					/>
				{/if}
			</span>
			<span class="course">
				{#if estimate && !estimate.isStill}<Course
						values={estimate.course.map((v) => v && to(v))}
						{band}
						{warn}
					/>{/if}
			</span>
			<span class="small says">
				<strong class="block leading-snug {warn ? 'text-warn' : ''}"
					>{verdict ? gradeWords(verdict.grade, verdict.side) : 'A bound, no number'}</strong
				>
				<span class="block leading-snug text-muted"
					>{estimate && !estimate.isStill
						? clauseWords({ parameter: row.parameter, ...estimate }, unit)
						: `Read ${ago(row.last.at, timeZone, now)}`}</span
				>
			</span>
		</span>
	{/snippet}
	{#if open}
		<!-- What nobody opens is not sent. -->
		{#await import('./RowDetails.svelte') then { default: RowDetails }}
			<RowDetails {row} {unit} {timeZone} {now} />
		{:catch}
			<p class="small py-2 font-semibold text-warn" role="alert">
				This cannot be fetched just now. Close the row and open it again to try once more.
			</p>
		{/await}
	{/if}
</Disclosure>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 9rem;
		grid-template-areas: 'name value' 'strip says';
		align-items: center;
		gap: 0.1rem 0.75rem;
	}
	.name {
		grid-area: name;
	}
	.value {
		grid-area: value;
		justify-self: end;
	}
	.strip-of {
		grid-area: strip;
	}
	.course {
		display: none;
		grid-area: course;
	}
	.says {
		grid-area: says;
	}
	/* By the room that the list has, which stands beside other things on a desk. */
	@container (min-width: 36rem) {
		.row {
			grid-template-columns: 6.75rem 9.5rem minmax(7rem, 1fr) 10.5rem;
			grid-template-areas: 'name value strip says';
			gap: 0 1rem;
		}
		.value {
			justify-self: start;
		}
	}
	@container (min-width: 48rem) {
		.row {
			grid-template-columns: 6.75rem 9.5rem minmax(8rem, 1fr) 4rem 10.5rem;
			grid-template-areas: 'name value strip course says';
		}
		.course {
			display: block;
		}
	}
</style>
