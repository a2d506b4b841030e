import { convert, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { boundsOf, standardUncertaintyOf, type TestResult } from '$lib/core/reading';
import { COVERAGE } from '$lib/core/uncertainty';
import { fixed, measured, plain, type Measured } from './number.ts';

/** A value and its expanded uncertainty in the unit that the person chose, with the digits that mean something. */
export function inUnit(parameter: ParameterId, value: number, u: number, unit: UnitId): Measured {
	const from = PARAMETERS[parameter].canonicalUnit;
	return measured(convert(value, from, unit), COVERAGE * convert(u, from, unit));
}

/** A limit of a band in the chosen unit; converted limits are rounded to what a person would set. */
export function limitInUnit(parameter: ParameterId, limit: number, unit: UnitId): string {
	const from = PARAMETERS[parameter].canonicalUnit;
	const converted = convert(limit, from, unit);
	return unit === from ? plain(limit) : plain(Number(converted.toPrecision(3)));
}

/** "7.5–9", "above 7.5", "below 9" */
export function bandInUnit(
	parameter: ParameterId,
	band: { readonly low: number | null; readonly high: number | null },
	unit: UnitId
): string {
	const low = band.low === null ? null : limitInUnit(parameter, band.low, unit);
	const high = band.high === null ? null : limitInUnit(parameter, band.high, unit);
	if (low !== null && high !== null) return `${low}–${high}`;
	return low !== null ? `above ${low}` : `below ${high ?? ''}`;
}

/** "8.1 ± 0.5 dKH", "< 0.2 dKH", "410 to 420 mg/L" */
export function resultInUnit(result: TestResult, unit: UnitId): string {
	const symbol = UNITS[unit].symbol;
	if (result.kind === 'value') {
		const m = inUnit(result.parameter, result.value, standardUncertaintyOf(result), unit);
		return `${m.value} ± ${m.plusMinus} ${symbol}`;
	}
	const from = PARAMETERS[result.parameter].canonicalUnit;
	const two = (x: number) => fixedSignificant(convert(x, from, unit));
	if (result.kind === 'bound') return `${result.sense} ${two(result.limit)} ${symbol}`;
	const { lower, upper } = boundsOf(result);
	return `${two(lower)} to ${two(upper ?? lower)} ${symbol}`;
}

function fixedSignificant(x: number): string {
	return plain(Number(x.toPrecision(2)));
}

/** A change per day, one digit more than it is known would say nothing: "0.04", "1.2". */
export function ratePerDay(parameter: ParameterId, perDay: number, u: number, unit: UnitId): Measured {
	const from = PARAMETERS[parameter].canonicalUnit;
	const value = Math.abs(convert(perDay, from, unit));
	const expanded = COVERAGE * convert(u, from, unit);
	return expanded > 0 ? measured(value, expanded) : { value: fixed(value, 2), plusMinus: '0' };
}
