<script lang="ts">
	import { convert, PARAMETERS, UNITS, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { COVERAGE } from '$lib/core/uncertainty';
	import { ago } from '$lib/format/date';
	import { bandInUnit, inUnit, limitInUnit, resultInUnit } from '$lib/format/quantity';
	import { gradeWords, isWarning, rateSentence, stripInWords } from '$lib/format/verdict';
	import Strip from '$lib/ui/instrument/Strip.svelte';
	import type { TodayRow } from './row';

	let { row, unit, timeZone, now }: { row: TodayRow; unit: UnitId; timeZone: string; now: Instant } =
		$props();

	const definition = $derived(PARAMETERS[row.parameter]);
	const u = $derived(Math.hypot(row.now.uRandom, row.now.uCommon));
	const shown = $derived(inUnit(row.parameter, row.now.value, u, unit));
	const to = $derived((v: number) => convert(v, definition.canonicalUnit, unit));
	const band = $derived(
		row.band && {
			low: row.band.low === null ? null : to(row.band.low),
			high: row.band.high === null ? null : to(row.band.high)
		}
	);
	const warn = $derived(isWarning(row.verdict.grade));
	const last = $derived(row.last.result);
</script>

<article
	class="grid grid-cols-[1fr_auto] items-center gap-x-6 gap-y-2 border-b py-4 md:grid-cols-[7.5rem_10rem_minmax(12rem,1fr)_14rem]"
>
	<h3 class="text-lg leading-tight">
		{definition.name}
		<span class="small block font-normal text-muted">{UNITS[unit].symbol}</span>
	</h3>
	<p class="figures whitespace-nowrap">
		<span class="text-[2rem] leading-none font-bold">{shown.value}</span>
		<span class="pl-1 text-muted">± {shown.plusMinus}</span>
	</p>
	<div class="col-span-2 px-1 md:col-span-1">
		<Strip
			{band}
			value={to(row.now.value)}
			lower={to(row.now.value - COVERAGE * u)}
			upper={to(row.now.value + COVERAGE * u)}
			reading={last.kind === 'value' ? to(last.value) : null}
			tail={to(row.inAWeek.value)}
			{warn}
			lowText={row.band?.low == null ? '' : limitInUnit(row.parameter, row.band.low, unit)}
			highText={row.band?.high == null ? '' : limitInUnit(row.parameter, row.band.high, unit)}
			words={stripInWords(row.parameter, row, unit, timeZone, now)}
		/>
	</div>
	<p class="small col-span-2 md:col-span-1">
		<strong class={warn ? 'text-warn' : ''}>{gradeWords(row.verdict.grade, row.verdict.side)}</strong>
		{#if row.band}<span class="figures">{bandInUnit(row.parameter, row.band, unit)}.</span>{/if}
		{rateSentence(row, unit)}
		<span class="figures block text-muted"
			>Read {ago(row.last.at, timeZone, now)}: {resultInUnit(last, unit)}</span
		>
	</p>
</article>
