import { COVERAGE } from '../uncertainty/index.ts';
import { agreementOf, type Agreement } from './agreement.ts';

export interface StandardCheck {
	readonly mean: number;
	/** Mean less what the standard holds. */
	readonly bias: number;
	readonly uBias: number;
	/** Mean over what the standard holds, 1 where nothing is lost. */
	readonly recovery: number;
	readonly zeta: number;
	readonly agreement: Agreement;
	/** The least error that such a check shows, k = 2: a smaller one looks like none. */
	readonly leastSeen: number;
}

/**
 * A kit on a standard: bias = mean − C, u² = u_std² + u_read²/n.
 *
 * @param readings of the standard, one or more, unit of the standard
 * @param standard what it holds, with its standard uncertainty
 * @param uSingle standard uncertainty of one reading, that part of it which repeating averages down
 * @throws {RangeError} on no reading, or where nothing at all is uncertain
 * @see ISO 13528:2022, 9.6
 * @example standardCheck([432, 440], { value: 412, u: 3 }, 6).zeta // 4.61880
 */
export function standardCheck(
	readings: readonly number[],
	standard: { readonly value: number; readonly u: number },
	uSingle: number
): StandardCheck {
	const n = readings.length;
	if (n === 0) throw new RangeError('a check needs a reading');
	const mean = readings.reduce((sum, x) => sum + x, 0) / n;
	const bias = mean - standard.value;
	const uBias = Math.hypot(standard.u, uSingle / Math.sqrt(n));
	if (!(uBias > 0)) throw new RangeError('a check without any uncertainty cannot be judged');
	const zeta = bias / uBias;
	return {
		mean,
		bias,
		uBias,
		recovery: mean / standard.value,
		zeta,
		agreement: agreementOf(zeta),
		leastSeen: COVERAGE * uBias
	};
}
