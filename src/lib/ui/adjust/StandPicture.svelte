<script lang="ts">
	import { convert, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { COVERAGE } from '$lib/core/uncertainty';
	import { limitInUnit } from '$lib/format/quantity';
	import Strip from '$lib/ui/instrument/Strip.svelte';

	interface Props {
		/** Canonical unit. */
		value: {
			readonly parameter: ParameterId;
			readonly value: number;
			readonly u: number;
			readonly low: number | null;
			readonly high: number | null;
		};
		/** Judged to be outside: what cannot be told is not. */
		outside: boolean;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { value, outside, units }: Props = $props();

	const unit = $derived(units[value.parameter]);
	const to = (x: number) => convert(x, PARAMETERS[value.parameter].canonicalUnit, unit);
	const edge = (x: number | null) => (x === null ? '' : limitInUnit(value.parameter, x, unit));
	const band = $derived(
		value.low === null && value.high === null
			? null
			: { low: value.low === null ? null : to(value.low), high: value.high === null ? null : to(value.high) }
	);
	const [one, other] = $derived([to(value.value - COVERAGE * value.u), to(value.value + COVERAGE * value.u)]);
</script>

<Strip
	{band}
	value={to(value.value)}
	lower={Math.min(one, other)}
	upper={Math.max(one, other)}
	reading={null}
	tail={to(value.value)}
	warn={outside}
	lowText={edge(value.low)}
	highText={edge(value.high)}
	words="{PARAMETERS[value.parameter].name} {limitInUnit(
		value.parameter,
		Number(value.value.toPrecision(3)),
		unit
	)}, wanted {edge(value.low)} to {edge(value.high)}"
	low
/>
