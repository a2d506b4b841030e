import { atLeast, atMost, normalCdf } from '../numeric/index.ts';
import { COVERAGE } from '../uncertainty/index.ts';

/** Where a value is wanted, canonical unit; an open side is null. */
export interface Band {
	readonly low: number | null;
	readonly high: number | null;
	readonly aim: number | null;
}

/** Where a value is best: where it is aimed at, else the middle of its band; null of a band that is open on a side. */
export function aimOf(band: Band | null): number | null {
	if (!band) return null;
	return band.aim ?? (band.low !== null && band.high !== null ? (band.low + band.high) / 2 : null);
}

export type BandDecision = 'clear_in' | 'clear_low' | 'clear_high' | 'cannot_tell';

export interface BandProbabilities {
	readonly pIn: number;
	readonly pBelow: number;
	readonly pAbove: number;
	/** Inside, below or above only where the whole interval y ± 2u is so. */
	readonly decision: BandDecision;
	/** The whole interval lies beyond a limit by more than half the band's width; of an open band, by its limit again. */
	readonly far: boolean;
	/** The interval is narrow enough to lie inside the band at all; otherwise no value can be told to be inside. */
	readonly resolves: boolean;
	/** The interval is several times as wide as the band: on which side the value lies is then a matter of chance. */
	readonly vague: boolean;
}

/** An interval so many times as wide as the band says nothing of it (husbandry convention). */
const VAGUE = 4;

/** How far beyond a limit is far (husbandry convention). */
function farStep({ low, high }: Omit<Band, 'aim'>): number {
	if (low !== null && high !== null) return (high - low) / 2;
	return Math.abs(high ?? low ?? 0);
}

/**
 * Probability that the true value lies inside a band, given a normal uncertainty.
 *
 * @param u standard uncertainty, above 0
 * @throws {RangeError} when u is not above 0
 * @see JCGM 106:2012, 7.2
 */
export function againstBand(value: number, u: number, band: Omit<Band, 'aim'>): BandProbabilities {
	if (!(u > 0)) throw new RangeError(`standard uncertainty must be above 0, not ${u}`);
	const pBelow = band.low === null ? 0 : normalCdf((band.low - value) / u);
	const pAbove = band.high === null ? 0 : normalCdf((value - band.high) / u);
	const least = value - COVERAGE * u;
	const most = value + COVERAGE * u;
	let decision: BandDecision = 'cannot_tell';
	if (band.low !== null && !atLeast(most, band.low)) decision = 'clear_low';
	else if (band.high !== null && !atMost(least, band.high)) decision = 'clear_high';
	else if (
		(band.low === null || atLeast(least, band.low)) &&
		(band.high === null || atMost(most, band.high))
	) {
		decision = 'clear_in';
	}
	const step = farStep(band);
	const far =
		(band.low !== null && !atLeast(most, band.low - step)) ||
		(band.high !== null && !atMost(least, band.high + step));
	const resolves = band.low === null || band.high === null || atMost(most - least, band.high - band.low);
	const vague = band.low !== null && band.high !== null && most - least > VAGUE * (band.high - band.low);
	return { pIn: 1 - pBelow - pAbove, pBelow, pAbove, decision, far, resolves, vague };
}

/**
 * What a bound says of a band for certain: all of what it leaves lies above, below or inside.
 *
 * @returns null where it leaves more than one of them
 */
export function boundAgainstBand(
	sense: '<' | '>',
	limit: number,
	band: Omit<Band, 'aim'>
): BandProbabilities | null {
	const { low, high } = band;
	const step = farStep(band);
	const sure = { pIn: 0, pBelow: 0, pAbove: 0, far: false, resolves: true, vague: false };
	if (sense === '>') {
		if (high !== null && atLeast(limit, high)) {
			return { ...sure, pAbove: 1, decision: 'clear_high', far: atLeast(limit, high + step) };
		}
		return high === null && low !== null && atLeast(limit, low)
			? { ...sure, pIn: 1, decision: 'clear_in' }
			: null;
	}
	if (low !== null && atMost(limit, low)) {
		return { ...sure, pBelow: 1, decision: 'clear_low', far: atMost(limit, low - step) };
	}
	return low === null && high !== null && atMost(limit, high)
		? { ...sure, pIn: 1, decision: 'clear_in' }
		: null;
}
