import { atMost, median } from '../numeric/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';

export interface Replicates {
	readonly mean: number;
	/** Standard deviation of the readings; null of a single one. */
	readonly s: number | null;
	/** Standard uncertainty of the mean by repeating alone. */
	readonly uRandom: number;
	/** With what is common to all repeats, which no repeating averages away. */
	readonly u: number;
}

/**
 * Mean of repeats of one sample: u = √(s²/n + u_common²). Two or three repeats say little about their own spread, so
 * that a pooled s from history, where there is one, takes its place.
 *
 * @param readings one or more, one unit
 * @param uCommon standard uncertainty shared by all of them
 * @param pooledS repeatability known from before
 * @throws {RangeError} on no reading, or on a single one without a pooled s
 * @see JCGM 100:2008, 4.2.3 and 4.3.3
 * @example replicates([8.2, 8.5, 8.3], 0.12).u // 0.148922
 */
export function replicates(readings: readonly number[], uCommon: number, pooledS?: number): Replicates {
	const n = readings.length;
	if (n === 0) throw new RangeError('no readings to combine');
	const mean = readings.reduce((sum, x) => sum + x, 0) / n;
	const s = n > 1 ? Math.sqrt(readings.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (n - 1)) : null;
	const spread = pooledS ?? s;
	if (spread === null) throw new RangeError('one reading has no spread of its own; give a pooled one');
	const uRandom = spread / Math.sqrt(n);
	return { mean, s, uRandom, u: standardUncertaintyOf({ uRandom, uCommon }) };
}

/** Critical range of n repeats over their standard deviation, 95 %. @see ISO 5725-6, table 1 */
const CRITICAL_RANGE: Readonly<Record<number, number>> = { 2: 2.8, 3: 3.3, 4: 3.6 };

export interface RangeCheck {
	readonly range: number;
	readonly criticalRange: number;
	readonly acceptable: boolean;
}

/**
 * Are repeats as close together as the method's repeatability lets one expect?
 *
 * @param readings 2 to 4
 * @param sR standard deviation of single readings, above 0
 * @throws {RangeError} on another number of readings
 * @see ISO 5725-6:1994, 5.2
 * @example repeatRange([8.0, 8.7], 0.2).acceptable // false
 */
export function repeatRange(readings: readonly number[], sR: number): RangeCheck {
	const factor = CRITICAL_RANGE[readings.length];
	if (factor === undefined) throw new RangeError(`2 to 4 repeats, not ${readings.length}`);
	const range = Math.max(...readings) - Math.min(...readings);
	const criticalRange = factor * sR;
	return { range, criticalRange, acceptable: atMost(range, criticalRange) };
}

/**
 * The one of three or four repeats that stands apart: the range is too wide with it and acceptable without.
 *
 * @returns its index; null where none stands apart, or where more than one does
 */
export function outlierAmong(readings: readonly number[], sR: number): number | null {
	if (readings.length < 3 || readings.length > 4 || repeatRange(readings, sR).acceptable) return null;
	const middle = median(readings);
	const furthest = readings.reduce(
		(most, x, i) => (Math.abs(x - middle) > Math.abs(readings[most]! - middle) ? i : most),
		0
	);
	const rest = readings.filter((_, i) => i !== furthest);
	return repeatRange(rest, sR).acceptable ? furthest : null;
}

/** What is taken for the sample: the mean of repeats that agree, else the median of three or more. */
export function agreedValue(readings: readonly number[], sR: number): number | null {
	if (readings.length === 0) return null;
	if (readings.length === 1) return readings[0]!;
	if (readings.length <= 4 && !repeatRange(readings, sR).acceptable) {
		return readings.length === 2 ? null : median(readings);
	}
	return readings.reduce((sum, x) => sum + x, 0) / readings.length;
}
