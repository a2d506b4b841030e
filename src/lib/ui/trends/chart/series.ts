import type { TrendRow } from '$lib/contract/trends';
import {
	convert,
	convertSpan,
	PARAMETERS,
	POSSIBLE_IN_WATER,
	type ParameterId,
	type UnitId
} from '$lib/core/quantity';
import { firstFrom } from '$lib/core/numeric';

const MINUTE_MS = 60_000;

/** One row in the unit that is shown, times in milliseconds. */
export interface Series {
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	readonly kits: TrendRow['kits'];
	readonly band: { readonly low: number | null; readonly high: number | null } | null;
	/** What was wanted since when, the first one first. */
	readonly bands: readonly {
		readonly from: number;
		readonly low: number | null;
		readonly high: number | null;
	}[];
	readonly at: readonly number[];
	readonly value: readonly number[];
	readonly lower: readonly number[];
	/** Infinity: open upwards. */
	readonly upper: readonly number[];
	readonly kind: readonly number[];
	readonly kit: readonly number[];
	readonly superseded: readonly number[];
	readonly line: {
		readonly at: readonly number[];
		readonly value: readonly number[];
		/** Standard uncertainty. */
		readonly u: readonly number[];
	};
	readonly least: number;
}

export function seriesOf(row: TrendRow, unit: UnitId): Series {
	const { canonicalUnit } = PARAMETERS[row.parameter];
	const to = (x: number) => convert(x, canonicalUnit, unit);
	const span = (x: number) => Math.abs(convertSpan(x, canonicalUnit, unit));
	const { readings, line, band } = row;
	const edges = ({ low, high }: { low: number | null; high: number | null }) => ({
		low: low === null ? null : to(low),
		high: high === null ? null : to(high)
	});
	return {
		parameter: row.parameter,
		unit,
		kits: row.kits,
		band: band && edges(band),
		bands: row.bands.map((b) => ({ from: b.fromAt, ...edges(b) })),
		at: readings.at.map((m) => m * MINUTE_MS),
		value: readings.value.map(to),
		lower: readings.lower.map(to),
		upper: readings.upper.map((x) => (x === null ? Infinity : to(x))),
		kind: readings.kind,
		kit: readings.kit,
		superseded: readings.superseded,
		line: { at: line.at.map((m) => m * MINUTE_MS), value: line.value.map(to), u: line.u.map(span) },
		least: to(POSSIBLE_IN_WATER[row.parameter].least)
	};
}

/** The estimate at a time, between the two points told; null outside of them. */
export function lineAt({ line }: Series, at: number): { readonly value: number; readonly u: number } | null {
	const i = firstFrom(line.at, at);
	if (line.at.length === 0 || i >= line.at.length || (i === 0 && line.at[0]! > at)) return null;
	if (i === 0) return { value: line.value[0]!, u: line.u[0]! };
	const share = (at - line.at[i - 1]!) / (line.at[i]! - line.at[i - 1]!);
	const between = (list: readonly number[]) => list[i - 1]! + share * (list[i]! - list[i - 1]!);
	return { value: between(line.value), u: between(line.u) };
}
