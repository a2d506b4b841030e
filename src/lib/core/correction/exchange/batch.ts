import { densityNear } from '../../seawater/density/index.ts';
import { normalisingFactor, referenceIon } from '../../seawater/index.ts';
import { amountFor, type Supplement } from '../dose/supplement.ts';
import type { Known } from '../water-state.ts';
import { MIX_SALT_FRACTION } from './salinity-plan.ts';

const G_PER_KG_AT_35 = 35.16504;

/**
 * Dry salt mix for a batch of new water.
 *
 * @param volumeL of the finished water
 * @param salinity practical, above 0
 * @param saltFraction salt in the mix by mass
 * @returns kg of mix and litres of purified water
 * @example saltForBatch(120, 35, 25, 1).saltKg // 4.318
 */
export function saltForBatch(
	volumeL: number,
	salinity: number,
	temperatureC: number,
	saltFraction = MIX_SALT_FRACTION
): { readonly saltKg: number; readonly waterL: number } {
	if (!(volumeL > 0) || !(salinity > 0)) throw new RangeError('a batch has a volume and a salinity above 0');
	const kg = (volumeL * densityNear(salinity, temperatureC)) / 1000;
	const saltKg = (kg * (G_PER_KG_AT_35 / 35) * salinity) / 1000 / saltFraction;
	return { saltKg, waterL: ((kg - saltKg) * 1000) / densityNear(0, temperatureC) };
}

export type BatchFinding =
	| { readonly kind: 'thin-magnesium'; readonly atS35: number; readonly short: number }
	| { readonly kind: 'holds-nutrient'; readonly parameter: 'nitrate' | 'phosphate'; readonly value: number }
	| { readonly kind: 'salinity-off'; readonly value: number; readonly aim: number }
	| { readonly kind: 'not-tested' };

/** Magnesium of fresh mix below so much of the sea's is called thin; nutrients above these are not new water (conventions). */
const THIN = 0.955;
const NUTRIENTS = { nitrate: 0.5, phosphate: 0.03 } as const;
const SALINITY_OFF = 0.7;
const SURE = 1;

/** What is to be said of a batch before it is used. Told only where its reading is beyond by more than its uncertainty. */
export function findingsOfBatch(
	levels: Readonly<Partial<Record<'magnesium' | 'nitrate' | 'phosphate' | 'salinity', Known>>>,
	salinityAim: number
): BatchFinding[] {
	const found: BatchFinding[] = [];
	const salinity = levels.salinity;
	if (levels.magnesium) {
		const S = salinity?.value ?? salinityAim;
		const factor = normalisingFactor(Math.min(42, Math.max(20, S)), 25);
		const atS35 = levels.magnesium.value * factor;
		const sea = referenceIon('magnesium', 35, 25).mgPerL;
		const u = Math.hypot(levels.magnesium.u * factor, (atS35 * (salinity?.u ?? 0.5)) / S);
		if (atS35 + SURE * u < THIN * sea + u) {
			found.push({ kind: 'thin-magnesium', atS35, short: sea - atS35 });
		}
	}
	for (const parameter of ['nitrate', 'phosphate'] as const) {
		const level = levels[parameter];
		if (level && level.value - SURE * level.u > NUTRIENTS[parameter]) {
			found.push({ kind: 'holds-nutrient', parameter, value: level.value });
		}
	}
	if (salinity && Math.abs(salinity.value - salinityAim) - SURE * salinity.u > SALINITY_OFF) {
		found.push({ kind: 'salinity-off', value: salinity.value, aim: salinityAim });
	}
	if (Object.keys(levels).length === 0) found.push({ kind: 'not-tested' });
	return found;
}

/** What a barrel needs for its magnesium to be the sea's; nothing lives in it, so all at once. */
export function magnesiumForBatch(supplement: Supplement, shortMgPerL: number, volumeL: number): number {
	return amountFor(supplement, 'magnesium', shortMgPerL, volumeL);
}
