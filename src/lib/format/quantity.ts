import { convert, convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { boundsOf, expandedUOf, type TestResult } from '$lib/core/reading';
import { COVERAGE } from '$lib/core/uncertainty';
import { fixed, measured, plain, type Measured } from './number.ts';

/** A value and its expanded uncertainty in the unit that the person chose, with the digits that mean something. */
export function inUnit(parameter: ParameterId, value: number, u: number, unit: UnitId): Measured {
	const from = PARAMETERS[parameter].canonicalUnit;
	return measured(convert(value, from, unit), COVERAGE * convertSpan(u, from, unit));
}

/** A limit of a band in the chosen unit; converted limits are rounded to what a person would set. */
export function limitInUnit(parameter: ParameterId, limit: number, unit: UnitId): string {
	const from = PARAMETERS[parameter].canonicalUnit;
	const converted = convert(limit, from, unit);
	if (unit === from) return plain(limit);
	return UNITS[unit].family === 'salinity' ? fixed(converted, 4) : plain(Number(converted.toPrecision(3)));
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

/** " mg/L" with its space; nothing for pH, whose name is its unit. */
export function symbolAfter(unit: UnitId): string {
	return unit === 'ph' ? '' : ` ${UNITS[unit].symbol}`;
}

/** Ends of an interval to two digits; pH to the tenth or the half of one, since its digits are no proportion. */
function endInUnit(parameter: ParameterId, value: number, unit: UnitId): string {
	const shown = convert(value, PARAMETERS[parameter].canonicalUnit, unit);
	if (unit === 'ph') return fixed(shown, Math.abs(shown * 10 - Math.round(shown * 10)) < 1e-6 ? 1 : 2);
	if (UNITS[unit].family === 'salinity' && unit !== 'psu') return fixed(shown, 4);
	return plain(Number(shown.toPrecision(2)));
}

/** "8.1 ± 0.5 dKH", "< 0.2 dKH", "8, between 5 and 11 mg/L NO₃" */
export function resultInUnit(result: TestResult, unit: UnitId): string {
	const { parameter } = result;
	const symbol = symbolAfter(unit);
	const end = (x: number) => endInUnit(parameter, x, unit);
	switch (result.kind) {
		case 'value': {
			const m = inUnit(parameter, result.value, expandedUOf(result) / COVERAGE, unit);
			return `${m.value} ± ${m.plusMinus}${symbol}`;
		}
		case 'interval':
			return result.best === null
				? `${end(result.lower)} to ${end(result.upper)}${symbol}`
				: `${end(result.best)}, between ${end(result.lower)} and ${end(result.upper)}${symbol}`;
		case 'bound':
			return `${result.sense === '<' ? 'below' : 'above'} ${end(result.limit)}${symbol}`;
	}
}

/** The large figure of a result and what stands small beside it. */
export function headlineOf(
	result: TestResult,
	unit: UnitId
): { readonly large: string; readonly small: string } {
	const symbol = symbolAfter(unit);
	const end = (x: number) => endInUnit(result.parameter, x, unit);
	switch (result.kind) {
		case 'value': {
			const m = inUnit(result.parameter, result.value, expandedUOf(result) / COVERAGE, unit);
			return { large: m.value, small: `± ${m.plusMinus}${symbol}` };
		}
		case 'interval':
			return result.best === null
				? { large: `${end(result.lower)}–${end(result.upper)}`, small: symbol.trim() }
				: { large: end(result.best), small: `${end(result.lower)}–${end(result.upper)}${symbol}` };
		case 'bound':
			return { large: `${result.sense} ${end(result.limit)}`, small: symbol.trim() };
	}
}

/** How wide the 95 % interval of a result is, for "Why ± …"; empty for a bound. */
export function widthWords(result: TestResult, unit: UnitId): string {
	if (result.kind === 'bound') return '';
	if (result.kind === 'value') {
		return `± ${inUnit(result.parameter, result.value, expandedUOf(result) / COVERAGE, unit).plusMinus}`;
	}
	const { lower, upper } = boundsOf(result);
	return `${endInUnit(result.parameter, lower, unit)} to ${endInUnit(result.parameter, upper ?? lower, unit)}`;
}

/** A change per day, one digit more than it is known would say nothing: "0.04", "1.2". */
export function ratePerDay(parameter: ParameterId, perDay: number, u: number, unit: UnitId): Measured {
	const from = PARAMETERS[parameter].canonicalUnit;
	const value = Math.abs(convertSpan(perDay, from, unit));
	const expanded = COVERAGE * convertSpan(u, from, unit);
	return expanded > 0 ? measured(value, expanded) : { value: fixed(value, 2), plusMinus: '0' };
}
