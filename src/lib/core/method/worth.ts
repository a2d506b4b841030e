import { convert, convertSpan, PARAMETERS } from '../quantity/index.ts';
import { atMost } from '../numeric/index.ts';
import { chart, lookUp, type Chart } from './chart.ts';
import type { Titration, Worth } from './method.ts';
import { isTitrated, titratedValue } from './stoichiometry.ts';

/** The straight line on which a volume lies: value = atZero + perUnit·volume, canonical unit. */
export interface WorthLine {
	readonly atZero: number;
	readonly perUnit: number;
}

/** A bound, where a leaflet's table ends. */
export interface WorthBound {
	readonly sense: '<' | '>';
	readonly limit: number;
}

/** Millilitres that one unit of the meter stands for: a millilitre, or a drop. */
export function unitMlOf({ meter }: Titration): number {
	return meter.kind === 'drops' ? meter.dropMl : 1;
}

function straightLine(
	titration: Titration,
	worth: Exclude<Worth, { by: 'table' }>,
	sampleMl: number,
	fullMl: number
): WorthLine {
	const { parameter } = titration;
	if (worth.by === 'line') {
		const canonical = PARAMETERS[parameter].canonicalUnit;
		const scale = fullMl / sampleMl;
		return {
			atZero: convert(worth.atZero, worth.unit, canonical) * scale,
			perUnit: convertSpan(worth.perUnit, worth.unit, canonical) * scale
		};
	}
	if (!isTitrated(parameter)) throw new TypeError(`${parameter} is not found by a titrant`);
	const unitMl = unitMlOf(titration);
	if (worth.by === 'titrant') {
		return { atZero: 0, perUnit: titratedValue(parameter, worth.molPerL, unitMl, sampleMl) };
	}
	const { filtrate } = worth;
	const share = filtrate ? filtrate.ofMl / filtrate.takenMl : 1;
	return {
		atZero: titratedValue(parameter, worth.excessMolPerL, worth.excessMl, sampleMl),
		perUnit: -titratedValue(parameter, worth.titrantMolPerL, unitMl * share, sampleMl)
	};
}

const charts = new WeakMap<Worth, Chart>();

function chartOf(worth: Extract<Worth, { by: 'table' }>): Chart {
	let known = charts.get(worth);
	if (!known) {
		const made = chart(worth.points);
		if (!made.ok) throw new RangeError(`the leaflet's table cannot be used: ${made.fault.code}`);
		charts.set(worth, (known = made.value));
	}
	return known;
}

/** The row of the table that a volume lies on or before, as a line; a bound beyond the ends. */
function tableLine(
	titration: Titration,
	worth: Extract<Worth, { by: 'table' }>,
	volume: number,
	scale: number
): WorthLine | WorthBound {
	const table = chartOf(worth);
	const canonical = PARAMETERS[titration.parameter].canonicalUnit;
	const capacity = titration.meter.kind === 'syringe' ? titration.meter.capacityMl : 0;
	const sign = worth.reads === 'left' ? -1 : 1;
	const x = worth.reads === 'left' ? capacity - volume : volume;
	const found = lookUp(table, x);
	if ('bound' in found) {
		return { sense: found.bound.sense, limit: convert(found.bound.limit, worth.unit, canonical) * scale };
	}
	const upper = Math.max(
		1,
		table.findIndex((p) => atMost(x, p[0]))
	);
	const [x0, y0] = table[upper - 1]!;
	const [x1, y1] = table[upper]!;
	const perUnit = sign * convertSpan((y1 - y0) / (x1 - x0), worth.unit, canonical) * scale;
	return { perUnit, atZero: convert(found.value, worth.unit, canonical) * scale - perUnit * volume };
}

/**
 * Where a volume of titrant lies on what the method says it is worth.
 *
 * @param volume mL from a syringe, or drops
 * @param sampleMl of the portion that was used
 * @param fullMl the leaflet's full sample, which its factors and tables are for
 * @returns the line through the volume, canonical unit; or a bound beyond the ends of a table
 */
export function worthAt(
	titration: Titration,
	volume: number,
	sampleMl: number,
	fullMl: number
): WorthLine | WorthBound {
	const { worth } = titration;
	return worth.by === 'table'
		? tableLine(titration, worth, volume, fullMl / sampleMl)
		: straightLine(titration, worth, sampleMl, fullMl);
}

/** What one more unit of titrant changes in the result, canonical unit per mL or drop, about the middle of a table. */
export function resultPerUnit(titration: Titration, sampleMl: number, fullMl: number): number {
	const { worth } = titration;
	if (worth.by !== 'table') return straightLine(titration, worth, sampleMl, fullMl).perUnit;
	const table = chartOf(worth);
	const [first, last] = [table[0]!, table.at(-1)!];
	const canonical = PARAMETERS[titration.parameter].canonicalUnit;
	return (
		((worth.reads === 'left' ? -1 : 1) *
			convertSpan((last[1] - first[1]) / (last[0] - first[0]), worth.unit, canonical) *
			fullMl) /
		sampleMl
	);
}
