import { atMost } from '../numeric/index.ts';
import { COVERAGE } from '../uncertainty/index.ts';
import { agreementOf, type Agreement } from './agreement.ts';

/** One side of a comparison, any one unit for both. */
export interface Side {
	readonly value: number;
	/** Standard uncertainty, 0 or more. */
	readonly u: number;
	/** With which its maker states U = k·u; 2 unless said otherwise. */
	readonly k?: number;
}

export interface PairComparison {
	/** First less second. */
	readonly difference: number;
	readonly uDifference: number;
	readonly zeta: number;
	/** Difference over the expanded uncertainties; up to 1 in size agrees. */
	readonly en: number;
	readonly enOk: boolean;
	readonly agreement: Agreement;
}

/**
 * Two results for one thing: ζ = d/√(u₁² + u₂² − 2r·u₁u₂), E_n = d/√(U₁² + U₂²).
 *
 * @param correlation of the two errors, −1 to 1: a shared standard, kit or operator makes it positive
 * @throws {RangeError} when the correlation is outside, or nothing at all is uncertain
 * @see ISO 13528:2022, 9.6 (zeta) and 9.7 (E_n)
 * @example comparePair({ value: 435, u: 8 }, { value: 412, u: 4 }).zeta // 2.57148
 */
export function comparePair(first: Side, second: Side, correlation = 0): PairComparison {
	if (!(correlation >= -1 && correlation <= 1)) {
		throw new RangeError(`a correlation lies between −1 and 1, not at ${correlation}`);
	}
	const difference = first.value - second.value;
	const uDifference = Math.sqrt(
		Math.max(0, first.u ** 2 + second.u ** 2 - 2 * correlation * first.u * second.u)
	);
	if (!(uDifference > 0)) throw new RangeError('two values without any uncertainty cannot be compared');
	const zeta = difference / uDifference;
	const expanded = Math.hypot((first.k ?? COVERAGE) * first.u, (second.k ?? COVERAGE) * second.u);
	const en = difference / expanded;
	return {
		difference,
		uDifference,
		zeta,
		en,
		enOk: atMost(Math.abs(en), 1),
		agreement: agreementOf(zeta)
	};
}

/**
 * A value beside an interval, such as a laboratory's beside what a colour step tells: by how much it lies outside, in
 * its own standard uncertainties.
 *
 * @param upper null where the interval is open above
 * @throws {RangeError} when u is not above 0, or the interval is reversed
 * @example againstInterval({ value: 38, u: 3 }, 50, null).z // −4
 */
export function againstInterval(
	{ value, u }: Side,
	lower: number,
	upper: number | null
): { readonly z: number; readonly agreement: Agreement } {
	if (!(u > 0)) throw new RangeError(`standard uncertainty must be above 0, not ${u}`);
	if (upper !== null && upper < lower) throw new RangeError(`an interval from ${lower} to ${upper} is none`);
	const outside = value < lower ? value - lower : upper !== null && value > upper ? value - upper : 0;
	const z = outside / u;
	return { z, agreement: agreementOf(z) };
}
