import { normalCdf } from '../../numeric/index.ts';
import { carried, type LevelRate, type WanderNoise } from './filter.ts';

export interface OpenBand {
	readonly low: number | null;
	readonly high: number | null;
}

export interface OutsideChance {
	readonly below: number;
	readonly above: number;
}

/** Chance that a normal variable lies outside a band. */
export function outsideChance(level: number, sd: number, band: OpenBand): OutsideChance {
	return {
		below: band.low === null ? 0 : normalCdf((band.low - level) / sd),
		above: band.high === null ? 0 : normalCdf((level - band.high) / sd)
	};
}

export interface NextTestGrid {
	readonly alpha: number;
	readonly mostDays: number;
	readonly stepDays: number;
	/** Continuous dosing from now on. */
	readonly flowPerDay: number;
}

export interface NextTest {
	readonly days: number;
	/** Chance of being outside the band at that time. */
	readonly outside: number;
}

/**
 * The first time on a grid at which the chance of being outside the band has grown to α; the longest interval when it
 * never does.
 */
export function nextTest(
	state: LevelRate,
	noise: WanderNoise,
	band: OpenBand,
	{ alpha, mostDays, stepDays, flowPerDay }: NextTestGrid
): NextTest {
	const outsideAfter = (days: number): number => {
		const then = carried(state, noise, flowPerDay, days);
		const { below, above } = outsideChance(then.level, Math.sqrt(then.levelVariance), band);
		return below + above;
	};
	const steps = Math.floor(mostDays / stepDays + 1e-9);
	for (let i = 1; i <= steps; i++) {
		const outside = outsideAfter(i * stepDays);
		if (outside >= alpha) return { days: i * stepDays, outside };
	}
	return { days: mostDays, outside: outsideAfter(mostDays) };
}

/** ln Φ(z), without underflow far down the tail. */
function logNormalCdf(z: number): number {
	if (z > -30) return Math.log(normalCdf(z));
	// Asymptotic series of Mills' ratio, Abramowitz & Stegun (1964), 26.2.12.
	return -0.5 * z * z - Math.log(-z * Math.sqrt(2 * Math.PI)) + Math.log(1 - 1 / (z * z) + 3 / z ** 4);
}

/**
 * Chance that a level which falls at a known rate and diffuses has touched a floor by some day.
 *
 * @param sigmaPerRootDay diffusion, canonical unit per √day, above 0
 * @throws {RangeError} unless sigma and days are above 0
 * @see Chhikara & Folks (1989), The Inverse Gaussian Distribution, chapter 2
 * @example reachesFloor(8, 7, { ratePerDay: 0, sigmaPerRootDay: 0.3 }, 10) // 0.2918405451
 */
export function reachesFloor(
	level: number,
	floor: number,
	{ ratePerDay, sigmaPerRootDay }: { readonly ratePerDay: number; readonly sigmaPerRootDay: number },
	days: number
): number {
	if (!(sigmaPerRootDay > 0 && days > 0)) throw new RangeError('diffusion and days must be above 0');
	const distance = level - floor;
	if (distance <= 0) return 1;
	const spread = sigmaPerRootDay * Math.sqrt(days);
	// The exponential alone can overflow; its product with the tail cannot.
	const reflected =
		(2 * ratePerDay * distance) / sigmaPerRootDay ** 2 +
		logNormalCdf((-distance - ratePerDay * days) / spread);
	return Math.min(1, normalCdf((-distance + ratePerDay * days) / spread) + Math.exp(reflected));
}
