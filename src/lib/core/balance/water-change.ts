/**
 * Concentration after one well-mixed change of a fraction of the water: C' = C + f·(C_new − C).
 *
 * @param fraction exchanged part of the volume, 0 to 1
 * @throws {RangeError} when the fraction is outside 0 to 1
 * @example afterWaterChange(8, 7, 0.1) // 7.9
 */
export function afterWaterChange(before: number, newWater: number, fraction: number): number {
	if (!(fraction >= 0 && fraction <= 1)) throw new RangeError(`fraction ${fraction} is outside 0 to 1`);
	return before + fraction * (newWater - before);
}
