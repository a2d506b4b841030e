<script lang="ts">
	import type { BenchOffer } from '$lib/contract/bench';
	import type { ScaleMethod, ThermometerMethod } from '$lib/core/method';
	import { roundTo } from '$lib/core/numeric';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { faultOnScale, marksAround } from '$lib/core/reading';
	import type { Fault } from '$lib/core/result';
	import { fixed, plain } from '$lib/format/number';
	import ScaleLine from '$lib/ui/instrument/ScaleLine.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import { readingOf } from '$lib/ui/shared/reading-draft';
	import LiveResult from './LiveResult.svelte';
	import { measure } from './measure';
	import NumberField from './NumberField.svelte';
	import ReadFrame from './ReadFrame.svelte';
	import TemperatureField from './TemperatureField.svelte';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
		ondone: () => void;
		ongiveup: () => void;
	}
	let { desk, contexts, units, ondone, ongiveup }: Props = $props();

	const method = $derived(desk.method as ScaleMethod | ThermometerMethod);
	const draft = $derived(desk.draft!);
	const { lower, upper, temperatureC } = $derived(draft.reading);
	const scale = $derived(
		method.kind === 'thermometer'
			? { from: method.rangeC.low, to: method.rangeC.high, graduation: method.graduationC }
			: method.scale
	);
	const decimals = $derived(method.kind === 'thermometer' ? 1 : 3);
	let between = $state(false);
	let fault = $state<Fault | null>(null);

	const value = $derived(lower === null || upper === null ? null : (lower + upper) / 2);
	const words = $derived(
		lower === null || upper === null
			? 'not set'
			: lower === upper
				? fixed(lower, decimals)
				: `between ${fixed(lower, decimals)} and ${fixed(upper, decimals)}`
	);
	/** On a mark both ends are the mark; between two they are the marks beside it. */
	function set(at: number): void {
		const [lower, upper] = marksAround(at, scale.graduation);
		between = lower !== upper;
		desk.read({ lower, upper });
		fault = null;
	}
	function typed(at: number): void {
		const { from: least, to: most, graduation } = scale;
		fault = faultOnScale(at, 'lower', { least, most, finest: graduation / 2, unit: '' });
		if (!fault) set(at);
	}
	function toggleBetween(): void {
		between = !between;
		if (value === null) return;
		const half = scale.graduation / 2;
		set(roundTo(Math.min(scale.to - half, between ? value + half : value - half), half));
	}
	const reading = $derived(readingOf(method, draft.portion, draft.reading));
	const live = $derived(reading && measure(method, reading, contexts, desk.draft ?? {}));

	function done(): void {
		if (!live) fault = { code: 'invalid-field', field: 'lower', details: { rule: 'missing' } };
		else if (live.fault) fault = live.fault;
		else ondone();
	}
</script>

<ReadFrame
	{contexts}
	{units}
	{desk}
	step={desk.progress!.step!}
	label="{PARAMETERS[method.parameter].name}{method.kind === 'thermometer'
		? ''
		: `, specific gravity ${plain(method.scale.waterC)}/${plain(method.scale.referenceC)} °C`}"
	doneText="That is where it stands"
	{fault}
	ondone={done}
	{ongiveup}
>
	{#snippet controls()}
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind="choice" pressed={between} onclick={toggleBetween}>Between two marks</Button>
		</div>
		{#if method.kind === 'float'}
			<div class="mt-4">
				<TemperatureField
					label="temperature of the water in the jar"
					unit={units.temperature}
					value={temperatureC}
					help="The float’s scale holds at {plain(
						method.scale.waterC
					)} °C; another temperature is reckoned with."
					onset={(celsius) => {
						desk.read({ temperatureC: celsius });
						fault = null;
					}}
					onfault={(f) => (fault = f)}
				/>
			</div>
		{/if}
	{/snippet}
	{#snippet instrument()}
		<ScaleLine
			from={scale.from}
			to={scale.to}
			graduation={scale.graduation}
			{decimals}
			{value}
			{between}
			look={method.kind === 'float' ? 'float' : method.kind === 'thermometer' ? 'thermometer' : 'glass'}
			label="Where the line stands"
			{words}
			onset={set}
		/>
		<div class="mt-3">
			<NumberField
				label="read"
				unit={method.kind === 'thermometer' ? '°C' : 'SG'}
				value={lower === null
					? ''
					: lower === upper
						? fixed(lower, decimals)
						: fixed(value ?? 0, decimals + 1)}
				onset={typed}
				onfault={(f) => (fault = f)}
			/>
		</div>
		<LiveResult
			hidden={desk.draft?.reading.circumstances.blind ?? false}
			{live}
			parameters={[method.parameter]}
			{units}
			lead="which is"
		/>
	{/snippet}
</ReadFrame>
