import { standardLine, uByStandardLine, type StandardReading } from './standard-factor.ts';

/** What a check on standards found a kit to need, as plain data, in the canonical unit of its parameter. */
export type KitCorrection =
	| {
			readonly kind: 'factor';
			readonly factor: number;
			/** Standard uncertainty of the factor, relative to it. */
			readonly relativeU: number;
	  }
	| { readonly kind: 'offset'; readonly offset: number; readonly u: number }
	| { readonly kind: 'line'; readonly low: StandardReading; readonly high: StandardReading };

export interface CorrectedValue {
	readonly value: number;
	/** What one unit of the reading becomes. */
	readonly slope: number;
	/** Standard uncertainty that the correction itself brings, the reading's own not included. */
	readonly u: number;
}

/**
 * A reading as a checked kit should have shown it: f·R, R + b, or on the line through two standards,
 * of which the lower may be pure water: a blank.
 *
 * @returns in the reading's unit; u after JCGM 100:2008, 5.1.2, the reading itself taken as exact
 * @throws {RangeError} where both standards of a line read the same
 * @example correctedValue({ kind: 'factor', factor: 0.95, relativeU: 0.02 }, 8).value // 7.6
 */
export function correctedValue(correction: KitCorrection, reading: number): CorrectedValue {
	switch (correction.kind) {
		case 'factor': {
			const { factor, relativeU } = correction;
			const value = factor * reading;
			return { value, slope: factor, u: Math.abs(value) * relativeU };
		}
		case 'offset':
			return { value: reading + correction.offset, slope: 1, u: correction.u };
		case 'line': {
			const { low, high } = correction;
			const line = standardLine(low, high);
			if (!line.ok) throw new RangeError('two standards that read the same make no line');
			const { slope, intercept } = line.value;
			return {
				value: slope * reading + intercept,
				slope,
				u: uByStandardLine(line.value, low, high, { value: reading, u: 0 })
			};
		}
	}
}
