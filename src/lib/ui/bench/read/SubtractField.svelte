<script lang="ts">
	import { untrack } from 'svelte';
	import type { KnownBefore } from '$lib/contract/bench';
	import { POSSIBLE_IN_WATER } from '$lib/core/quantity';
	import { faultOnScale, type DifferenceReading } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import type { Instant } from '$lib/core/time';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import { ago } from '$lib/format/date';
	import { inUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import NumberField from './NumberField.svelte';

	interface Props {
		/** The last calcium of this water. */
		calcium: KnownBefore | null;
		value: DifferenceReading['subtract'] | null;
		timeZone: string;
		now: Instant;
		onchange: (subtract: DifferenceReading['subtract']) => void;
		onfault: (fault: Fault) => void;
	}
	let { calcium, value, timeZone, now, onchange, onfault }: Props = $props();

	/** A typed calcium without a test behind it is taken to be known to 3 % (a common kit's width). */
	const TYPED_RELATIVE_U = 0.03;
	const { most: MOST_MG_PER_L } = POSSIBLE_IN_WATER.calcium;

	const known = $derived(
		calcium && inUnit('calcium', calcium.value, standardUncertaintyOf(calcium), 'mg-per-l')
	);
	function takeKnown(): void {
		if (!calcium) return;
		const { value: mgPerL, uRandom, uCommon, runId } = calcium;
		onchange({ value: mgPerL, uRandom, uCommon, runId });
	}
	function type(mgPerL: number): void {
		const fault = faultOnScale(mgPerL, 'subtract', { least: 0, most: MOST_MG_PER_L, unit: 'mg/L' });
		if (fault) onfault(fault);
		else onchange({ value: mgPerL, uRandom: mgPerL * TYPED_RELATIVE_U, uCommon: 0, runId: null });
	}
	untrack(() => {
		if (!value && calcium) takeKnown();
	});
</script>

<fieldset class="mt-5 max-w-[38rem] border-t pt-3">
	<legend class="visually-hidden">Calcium to take off</legend>
	<p class="font-semibold">Calcium is taken off</p>
	{#if known && calcium}
		<p class="figures mt-1">
			<Button kind="text" class="min-h-10 text-left" onclick={takeKnown}
				>{known.value} ± {known.plusMinus} mg/L, read {ago(calcium.at, timeZone, now)}</Button
			>
		</p>
	{/if}
	<NumberField
		label={known ? 'or another value' : 'read of the same water'}
		unit="mg/L"
		value={value ? String(Math.round(value.value)) : ''}
		onset={type}
		{onfault}
	/>
	{#if !value}<p class="small mt-1 text-muted">Test calcium first, or type what it is.</p>{/if}
</fieldset>
