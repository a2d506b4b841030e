<script lang="ts">
	import type { BenchOffer } from '$lib/contract/bench';
	import type { DisplayMethod } from '$lib/core/method';
	import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Fault } from '$lib/core/result';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { readingOf } from '$lib/ui/shared/reading-draft';
	import type { DeviceDesk } from './DeviceDesk.svelte';
	import DevicePanel from './DevicePanel.svelte';
	import LiveResult from './LiveResult.svelte';
	import { measure } from './measure';
	import NumberField from './NumberField.svelte';
	import ReadFrame from './ReadFrame.svelte';
	import TemperatureField from './TemperatureField.svelte';

	interface Props {
		desk: BenchDesk;
		device: DeviceDesk | null;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		ondone: () => void;
		ongiveup: () => void;
	}
	let { desk, device, contexts, units, ondone, ongiveup }: Props = $props();

	const method = $derived(desk.method as DisplayMethod);
	const draft = $derived(desk.draft!);
	const { shown, temperatureC } = $derived(draft.reading);
	let fault = $state<Fault | null>(null);

	const reading = $derived(readingOf(method, draft.portion, draft.reading));
	const live = $derived(reading && measure(method, reading, contexts, desk.draft ?? {}));

	function set(value: number | 'over' | 'under'): void {
		desk.read({ shown: value });
		fault = null;
	}
	function nudge(by: number): void {
		const now = typeof shown === 'number' ? shown : method.range.low;
		const next = Math.round((now + by * method.resolution) / method.resolution) * method.resolution;
		set(Math.min(method.range.high, Math.max(method.range.low, Number(next.toPrecision(10)))));
	}
	/** A number that no instrument showed says so for ever. */
	function noteStandIn(name: string): void {
		const said = `Shown by the ${name.toLowerCase()}.`;
		if (!draft.note.includes(said)) desk.change({ note: [draft.note, said].filter(Boolean).join(' ') });
	}
	function done(): void {
		if (!live) fault = { code: 'invalid-field', field: 'shown', details: { rule: 'missing' } };
		else if (live.fault) fault = live.fault;
		else ondone();
	}
	function key(event: KeyboardEvent): void {
		if (event.target instanceof HTMLElement && event.target.closest('input, select, textarea')) return;
		const direction = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
		if (direction === 0) return;
		event.preventDefault();
		nudge(direction * (event.shiftKey ? 10 : 1));
	}
</script>

<svelte:window onkeydown={key} />

<ReadFrame
	{contexts}
	{units}
	{desk}
	step={desk.progress!.step!}
	label="{PARAMETERS[method.parameter].name}, {UNITS[method.unit].symbol} on the display"
	doneText="That is what it shows"
	{fault}
	ondone={done}
	{ongiveup}
>
	{#snippet controls()}
		{#if device}
			<DevicePanel
				{desk}
				{device}
				at="read"
				onread={({ shown: seen, temperatureC: beside }) => {
					set(seen);
					if (device.simulated) noteStandIn(device.name);
					if (beside !== null && method.withTemperature) desk.read({ temperatureC: beside });
				}}
			/>
		{/if}
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind="choice" pressed={shown === 'over'} onclick={() => set('over')}>It says over</Button>
			{#if method.range.low > 0}
				<Button kind="choice" pressed={shown === 'under'} onclick={() => set('under')}>It says under</Button>
			{/if}
		</div>
		<p class="small mt-3 text-muted">
			Its range is {plain(method.range.low)} to {plain(method.range.high)}
			{UNITS[method.unit].symbol}. Over or under is kept as a bound, not as a number.
		</p>
	{/snippet}
	{#snippet instrument()}
		<div class="grid grid-cols-[1fr_3.5rem] gap-4 border-2 border-ink bg-paper p-4">
			<NumberField
				label="on the display"
				unit={UNITS[method.unit].symbol}
				size="large"
				value={typeof shown === 'number' ? plain(shown) : (shown ?? '')}
				onset={set}
				onfault={(f) => (fault = f)}
			/>
			<div class="flex flex-col gap-3">
				<Button kind="choice" aria-label="One digit more" onclick={() => nudge(1)}>+</Button>
				<Button kind="choice" aria-label="One digit less" onclick={() => nudge(-1)}>−</Button>
			</div>
		</div>
		{#if method.withTemperature}
			<div class="mt-4">
				<TemperatureField
					label="temperature beside it"
					unit={units.temperature}
					value={temperatureC}
					onset={(celsius) => desk.read({ temperatureC: celsius })}
					onfault={(f) => (fault = f)}
				/>
			</div>
		{/if}
		<LiveResult
			hidden={desk.draft?.reading.circumstances.blind ?? false}
			{live}
			parameters={[method.parameter]}
			{units}
			lead="which is"
		/>
	{/snippet}
</ReadFrame>
