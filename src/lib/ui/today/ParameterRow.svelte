<script lang="ts">
	import type { ParameterToday } from '$lib/core/judgement/water';
	import { convert, PARAMETERS, POSSIBLE_IN_WATER, UNITS, type UnitId } from '$lib/core/quantity';
	import { pointOf } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { COVERAGE, standardUncertaintyOf } from '$lib/core/uncertainty';
	import { ago } from '$lib/format/date';
	import { bandInUnit, headlineOf, inUnit, limitInUnit, resultInUnit } from '$lib/format/quantity';
	import {
		boundSentence,
		gradeWords,
		isWarning,
		rateSentence,
		stripInWords
	} from '$lib/format/judgement/verdict';
	import Strip from '$lib/ui/instrument/Strip.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import WhyVerdict from './WhyVerdict.svelte';

	let { row, unit, timeZone, now }: { row: ParameterToday; unit: UnitId; timeZone: string; now: Instant } =
		$props();

	const definition = $derived(PARAMETERS[row.parameter]);
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
	const warn = $derived(estimate !== null && isWarning(estimate.verdict.grade));
	const last = $derived(row.last.result);
	const lastPoint = $derived(pointOf(last));
	let why = $state(false);
</script>

<article
	class="grid grid-cols-[1fr_auto] items-center gap-x-6 gap-y-2 border-b py-4 xl:grid-cols-[7.5rem_10rem_minmax(12rem,1fr)_14rem]"
>
	<h3 class="text-lg leading-tight">
		{definition.name}
		{#if UNITS[unit].symbol !== definition.name}<span class="small block font-normal text-muted"
				>{UNITS[unit].symbol}</span
			>{/if}
	</h3>
	{#if estimate && shown}
		<p class="figures whitespace-nowrap">
			<span class="text-[2rem] leading-none font-bold">{shown.value}</span>
			<span class="pl-1 text-muted">± {shown.plusMinus}</span>
		</p>
		<div class="col-span-2 px-1 xl:col-span-1">
			<Strip
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
		</div>
		<p class="small col-span-2 xl:col-span-1">
			<strong class={warn ? 'text-warn' : ''}
				>{gradeWords(estimate.verdict.grade, estimate.verdict.side)}</strong
			>
			{#if row.band}<span class="figures">{bandInUnit(row.parameter, row.band, unit)}.</span>{/if}
			{rateSentence({ parameter: row.parameter, ...estimate }, unit)}
			<span class="figures block text-muted"
				>Read {ago(row.last.at, timeZone, now)}: {resultInUnit(last, unit)}{row.single?.grade &&
				row.single.grade !== estimate.verdict.grade
					? `, by itself ${gradeWords(row.single.grade, row.single.side).toLowerCase()}`
					: ''}</span
			>
			{#if row.atS35 && Math.abs(row.atS35.salinity - 35) > 0.3}
				{@const same = inUnit(row.parameter, row.atS35.value, row.atS35.u, unit)}
				<span class="figures block text-muted">At S = 35 it would be {same.value} ± {same.plusMinus}</span>
			{/if}
			<Button kind="text" aria-expanded={why} aria-controls="why-{row.parameter}" onclick={() => (why = !why)}
				>Why<span class="visually-hidden">, for {definition.name}</span></Button
			>
		</p>
	{:else}
		{@const head = headlineOf(last, unit)}
		<p class="figures whitespace-nowrap">
			<span class="text-[2rem] leading-none font-bold">{head.large}</span>
			<span class="pl-1 text-muted">{last.kind === 'interval' ? head.small.split(' ')[0] : head.small}</span>
		</p>
		<p class="small col-span-2">
			{last.kind === 'bound' ? boundSentence(last, row.band, unit) : ''}
			<span class="block text-muted"
				>Read {ago(row.last.at, timeZone, now)}. {last.kind === 'bound'
					? 'Only bounds so far'
					: 'Readings too few'}: no estimate.</span
			>
			{#if row.single?.grade}
				<strong class={isWarning(row.single.grade) ? 'text-warn' : ''}
					>{gradeWords(row.single.grade, row.single.side)}</strong
				> by this reading alone.
			{/if}
			<Button kind="text" aria-expanded={why} aria-controls="why-{row.parameter}" onclick={() => (why = !why)}
				>Why<span class="visually-hidden">, for {definition.name}</span></Button
			>
		</p>
	{/if}
	<WhyVerdict {row} {unit} open={why} />
</article>
