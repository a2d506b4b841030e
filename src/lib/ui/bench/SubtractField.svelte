<script lang="ts">
	import { untrack } from 'svelte';
	import type { KnownBefore } from '$lib/contract/bench';
	import type { DifferenceReading } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { inUnit } from '$lib/format/quantity';

	interface Props {
		/** The last calcium of this water. */
		calcium: KnownBefore | null;
		value: DifferenceReading['subtract'] | null;
		timeZone: string;
		now: Instant;
		onchange: (subtract: DifferenceReading['subtract'] | null) => void;
	}
	let { calcium, value, timeZone, now, onchange }: Props = $props();
	const id = $props.id();

	/** A typed calcium without a test behind it is taken to be known to 3 % (a common kit's width). */
	const TYPED_RELATIVE_U = 0.03;

	const known = $derived(
		calcium && inUnit('calcium', calcium.value, Math.hypot(calcium.uRandom, calcium.uCommon), 'mg-per-l')
	);
	function takeKnown(): void {
		if (!calcium) return;
		const { value: mgPerL, uRandom, uCommon, runId } = calcium;
		onchange({ value: mgPerL, uRandom, uCommon, runId });
	}
	function type(text: string): void {
		const typed = Number(text.replace(',', '.'));
		if (text.trim() === '' || !(typed >= 0 && typed <= 1500)) {
			onchange(null);
			return;
		}
		onchange({ value: typed, uRandom: typed * TYPED_RELATIVE_U, uCommon: 0, runId: null });
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
			<button type="button" class="link min-h-10 text-left" onclick={takeKnown}
				>{known.value} ± {known.plusMinus} mg/L, read {ago(calcium.at, timeZone, now)}</button
			>
		</p>
	{/if}
	<p class="mt-1 flex flex-wrap items-baseline gap-x-2">
		<label for={id} class="small text-muted">{known ? 'or another value' : 'read of the same water'}</label>
		<input
			{id}
			type="text"
			inputmode="decimal"
			autocomplete="off"
			value={value ? String(Math.round(value.value)) : ''}
			onchange={(e) => type(e.currentTarget.value)}
			class="figures w-24 border-0 border-b-2 border-line-strong bg-transparent px-0 py-1 text-xl font-bold"
		/>
		<span>mg/L</span>
	</p>
	{#if !value}<p class="small mt-1 text-muted">Test calcium first, or type what it is.</p>{/if}
</fieldset>
