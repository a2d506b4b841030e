import { CONVENTIONS } from '../caution/index.ts';
import type { KnownValue } from './input.ts';

/**
 * What rock and sand take of a tank's volume: a part of it, and a standard uncertainty of that part. Husbandry
 * conventions; a bed of sand of 3 cm alone takes some 4 % of a tank filled to 50 cm (two thirds of the bed are grains).
 */
export const ROCKWORK = {
	none: { part: 0, u: 0 },
	little: { part: 0.06, u: 0.03 },
	usual: { part: 0.13, u: 0.06 },
	much: { part: 0.22, u: 0.07 },
	unknown: { part: 0.12, u: 0.08 }
} as const satisfies Record<string, { readonly part: number; readonly u: number }>;
export type RockworkId = keyof typeof ROCKWORK;
export const ROCKWORK_IDS = Object.keys(ROCKWORK) as readonly RockworkId[];

/** A box of glass as a tape measure has it, in cm. */
export interface Glass {
	readonly longCm: number;
	readonly deepCm: number;
	/** How high the water stands, not the glass. */
	readonly filledToCm: number;
	readonly rockwork: RockworkId;
	/** What stands in a sump while the pumps run; 0 without one. */
	readonly sumpL: number;
}

/** Exact: the international inch (1959). */
export const CM_PER_INCH = 2.54;

const CM3_PER_L = 1000;

/**
 * The water in a tank with straight sides, by its measures, less what stands in it, with its sump.
 *
 * @param glass measures in cm, all above 0; sump in L, at least 0
 * @returns litres and their standard uncertainty: the three sides to half a centimetre each, the part that rock and
 * sand take, and the sump, taken as independent (GUM 5.1.2)
 * @throws {RangeError} where a side is not above 0 or the sump is below it
 * @example volumeOfGlass({ longCm: 120, deepCm: 50, filledToCm: 48, rockwork: 'usual', sumpL: 0 }) // 250.6 L, u = 17.7
 */
export function volumeOfGlass({ longCm, deepCm, filledToCm, rockwork, sumpL }: Glass): KnownValue {
	const sides = [longCm, deepCm, filledToCm];
	if (!sides.every((side) => side > 0))
		throw new RangeError(`a side must be above 0 cm: ${sides.join(' × ')}`);
	if (!(sumpL >= 0)) throw new RangeError(`a sump cannot hold ${sumpL} L`);
	const full = (longCm * deepCm * filledToCm) / CM3_PER_L;
	const { part, u: partU } = ROCKWORK[rockwork];
	const left = full * (1 - part);
	const fromSides = sides.map((side) => (left * CONVENTIONS.glassMeasure.value) / side);
	const u = Math.hypot(...fromSides, full * partU, sumpL * CONVENTIONS.sumpVolume.value);
	return { value: left + sumpL, u };
}
