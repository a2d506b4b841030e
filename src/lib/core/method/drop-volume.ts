/**
 * Volume of one drop by weighing: v = m/(ρ·n). Holders and angles change it by 3 to 10 %, so weigh at least 20.
 *
 * @param massG of the drops together
 * @param densityGPerMl of the reagent
 * @returns mL
 * @throws {RangeError} on fewer than one drop or a density of 0 or less
 * @example dropVolumeMl(20, 0.93, 1.002) // 0.04640719
 */
export function dropVolumeMl(dropsWeighed: number, massG: number, densityGPerMl: number): number {
	if (!(dropsWeighed >= 1)) throw new RangeError(`weigh at least one drop, not ${dropsWeighed}`);
	if (!(densityGPerMl > 0) || !(massG > 0)) throw new RangeError('mass and density must be above 0');
	return massG / (densityGPerMl * dropsWeighed);
}
