import type { ParameterId } from '../quantity/index.ts';

/** Least difference that would change what a keeper does, canonical unit (husbandry convention). */
const LEAST: Readonly<Record<ParameterId, number>> = {
	alkalinity: 0.4,
	calcium: 15,
	magnesium: 40,
	potassium: 15,
	nitrate: 1,
	phosphate: 0.03,
	ammonia: 0.1,
	nitrite: 0.1,
	ph: 0.2,
	salinity: 0.7,
	temperature: 0.5,
	hardness: 1
};
/** Nutrients matter by their proportion once there is much of them. */
const SHARE: Readonly<Partial<Record<ParameterId, number>>> = {
	nitrate: 0.25,
	phosphate: 0.25,
	ammonia: 0.25,
	nitrite: 0.25
};

/**
 * The least difference between two methods that matters for a parameter at a level, canonical unit.
 *
 * @example differenceThatMatters('nitrate', 20) // 5
 */
export function differenceThatMatters(parameter: ParameterId, level: number): number {
	return Math.max(LEAST[parameter], (SHARE[parameter] ?? 0) * level);
}
