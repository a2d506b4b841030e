import { dkhFromMeqPerL, type ParameterId } from '../quantity/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { SALTS, type SaltId } from './salts.ts';

/** What a standard holds of one parameter, canonical unit, with its standard uncertainty. */
export interface Content {
	readonly parameter: ParameterId;
	readonly value: number;
	readonly u: number;
}

/** Something measured, with its standard uncertainty in the same unit. */
export interface Measured {
	readonly value: number;
	readonly u: number;
}

/** The content in what is weighed per litre: mg, or meq of alkalinity told in dKH. */
function canonical(parameter: ParameterId, perLitre: number): number {
	return parameter === 'alkalinity' ? dkhFromMeqPerL(perLitre) : perLitre;
}

/**
 * A salt weighed and filled up with purified water: C = m·p/(M·V)·(what a mole gives).
 * (u(C)/C)² = (u(m)/m)² + (u(V)/V)² + (u(p)/p)².
 *
 * @param massG weighed, g @param volumeMl in the end, mL
 * @returns everything that the salt gives; fails on a mass or volume of nothing
 * @see JCGM 100:2008, 5.1.6
 * @example weighed('potassium-nitrate', { value: 1.6306, u: 0.005 }, { value: 1000, u: 1 }) // nitrate 1000.0 mg/L
 */
export function weighed(salt: SaltId, massG: Measured, volumeMl: Measured): Result<readonly Content[]> {
	if (!(massG.value > 0)) return fail('beyond-scale', 'massG', { least: 0.001, most: 1000, unit: 'g' });
	if (!(volumeMl.value > 0)) return fail('beyond-scale', 'volumeMl', { least: 1, most: 20000, unit: 'mL' });
	const { molarMass, gives, relativeU } = SALTS[salt];
	const molPerL = (1000 * massG.value) / molarMass / volumeMl.value;
	const relative = Math.hypot(massG.u / massG.value, volumeMl.u / volumeMl.value, relativeU);
	return ok(
		gives.map(({ parameter, perMol }) => {
			const value = canonical(parameter, molPerL * perMol);
			return { parameter, value, u: value * relative };
		})
	);
}

/** Mass of a salt for a wanted content, g. */
export function massFor(
	salt: SaltId,
	parameter: ParameterId,
	value: number,
	volumeMl: number
): Result<number> {
	const { molarMass, gives } = SALTS[salt];
	const given = gives.find((g) => g.parameter === parameter);
	if (!given) return fail('parameter-differs', 'parameter');
	const perMol = canonical(parameter, given.perMol);
	return ok(((value / perMol) * molarMass * volumeMl) / 1000);
}

/**
 * A measured part of a stock solution, filled up: C = C₀·v/V. Relative variances add.
 *
 * @param takenMl of the stock, mL @param volumeMl in the end, mL
 * @returns fails where more is taken than there is room for
 */
export function dilutedStock(
	stock: readonly Content[],
	takenMl: Measured,
	volumeMl: Measured
): Result<readonly Content[]> {
	if (!(takenMl.value > 0)) return fail('beyond-scale', 'takenMl', { least: 0.01, most: 5000, unit: 'mL' });
	if (!(volumeMl.value > takenMl.value)) return fail('dilution-impossible', 'volumeMl');
	const share = takenMl.value / volumeMl.value;
	const relative = Math.hypot(takenMl.u / takenMl.value, volumeMl.u / volumeMl.value);
	return ok(
		stock.map(({ parameter, value, u }) => ({
			parameter,
			value: value * share,
			u: value === 0 ? u * share : value * share * Math.hypot(u / value, relative)
		}))
	);
}

/** Less than this cannot be measured with a 1 mL syringe of 0.01 mL marks to better than about 3 %. */
const LEAST_TAKEN_ML = 0.2;

export interface SeriesStep {
	readonly wanted: number;
	readonly takeMl: number;
	/** Purified water to fill up with, mL. */
	readonly fillMl: number;
}

/**
 * A series from one stock for training the eye: how much of it to take for each content. Zero is plain water.
 *
 * @returns fails, with the content, where a volume is too small to measure or the stock is weaker than wanted
 * @example dilutionSeries(100, [0, 5, 20], 50) // take 0, 2.5 and 10 mL, each filled up to 50 mL
 */
export function dilutionSeries(
	stock: number,
	wanted: readonly number[],
	volumeMl: number
): Result<readonly SeriesStep[]> {
	const steps: SeriesStep[] = [];
	for (const value of wanted) {
		const takeMl = (value * volumeMl) / stock;
		if (value > stock || !(value >= 0)) return fail('weaker-than-wanted', 'wanted', { stock, wanted: value });
		if (value > 0 && takeMl < LEAST_TAKEN_ML) {
			return fail('volume-too-small', 'wanted', { wanted: value, least: LEAST_TAKEN_ML });
		}
		steps.push({ wanted: value, takeMl, fillMl: volumeMl - takeMl });
	}
	return ok(steps);
}

/** Days that a home-made standard keeps, cool, dark and closed (husbandry convention). */
const KEEPS_DAYS: Partial<Record<ParameterId, number>> = {
	nitrite: 7,
	ammonia: 14,
	alkalinity: 30,
	nitrate: 60,
	phosphate: 30
};
const USUALLY_KEEPS_DAYS = 180;

/** How long a home-made standard keeps: as long as what spoils first in it. */
export function keepsDays(contents: readonly Pick<Content, 'parameter'>[]): number {
	return Math.min(...contents.map((c) => KEEPS_DAYS[c.parameter] ?? USUALLY_KEEPS_DAYS));
}
