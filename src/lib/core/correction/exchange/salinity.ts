import { atLeast, atMost } from '../../numeric/index.ts';
import { densityNear } from '../../seawater/density/index.ts';

/** Grams of salt to the kilogram at S = 35. @see Millero et al. (2008) */
const G_PER_KG_AT_35 = 35.16504;
const gramsPerKg = (salinity: number) => (G_PER_KG_AT_35 / 35) * salinity;

/**
 * Two waters for one in between: the share of the first, by volume; possible from 0 to 1.
 *
 * @throws {RangeError} where both hold the same
 */
export function blend(
	first: number,
	second: number,
	target: number,
	totalL: number
): {
	readonly firstShare: number;
	readonly possible: boolean;
	readonly firstL: number | null;
	readonly secondL: number | null;
} {
	if (first === second) throw new RangeError('two waters that hold the same make no other');
	const firstShare = (target - second) / (first - second);
	const possible = atLeast(firstShare, 0) && atMost(firstShare, 1);
	return {
		firstShare,
		possible,
		firstL: possible ? firstShare * totalL : null,
		secondL: possible ? (1 - firstShare) * totalL : null
	};
}

/** The share of the water, by mass, to exchange for thinner water, and its litres. @throws {RangeError} where that leads nowhere */
export function thinned(
	tank: number,
	newWater: number,
	target: number,
	volumeL: number
): { readonly massShare: number; readonly removeL: number } {
	const massShare = (tank - target) / (tank - newWater);
	if (!(massShare >= 0 && massShare <= 1)) {
		throw new RangeError(`exchanging S ${newWater} does not lead from S ${tank} to ${target}`);
	}
	return { massShare, removeL: massShare * volumeL };
}

/**
 * Dry salt mix that raises salinity: m = M·(b − a)/(1000·y − b).
 *
 * @param saltFraction salt in the mix by mass, above 0 to 1; the rest is moisture
 * @returns kg
 */
export function saltFor(
	{
		salinity: tank,
		volumeL,
		temperatureC
	}: { readonly salinity: number; readonly volumeL: number; readonly temperatureC: number },
	target: number,
	saltFraction: number
): number {
	if (!(target >= tank)) throw new RangeError(`salt does not lower S from ${tank} to ${target}`);
	if (!(saltFraction > 0 && saltFraction <= 1)) throw new RangeError('a mix holds some salt, at most all');
	const kg = (volumeL * densityNear(tank, temperatureC)) / 1000;
	const [a, b] = [gramsPerKg(tank), gramsPerKg(target)];
	return (kg * (b - a)) / (1000 * saltFraction - b);
}

/** Fresh water that evaporated while salinity rose: ΔM = M₀(1 − S₀/S₁). @returns litres of fresh water at the temperature */
export function evaporated(volumeL: number, before: number, after: number, temperatureC: number): number {
	if (!(after >= before && before > 0)) throw new RangeError('evaporation raises salinity');
	const kg = (volumeL * densityNear(before, temperatureC)) / 1000;
	return (kg * (1 - before / after) * 1000) / densityNear(0, temperatureC);
}
