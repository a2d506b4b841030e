import { CONVENTIONS, DAILY_LIMITS, type Limited } from '../../caution/index.ts';
import type { ParameterId } from '../../quantity/index.ts';

/** A limit as a keeper set it. */
export interface OwnLimit {
	readonly parameter: Limited;
	readonly direction: 'up' | 'down';
	readonly perDay: number;
}

export type LimitRefusal = 'above-most' | 'needs-reason' | 'not-positive';

/** What is wrong with a limit that a keeper sets: down at once, up with a reason, never above the most. */
export function limitFault(limit: OwnLimit, inForce: number, reason: string): LimitRefusal | null {
	if (!(limit.perDay > 0)) return 'not-positive';
	if (limit.perDay > DAILY_LIMITS[limit.parameter][limit.direction].most * (1 + 1e-9)) return 'above-most';
	if (limit.perDay > inForce * (1 + 1e-9) && reason.trim().length < 8) return 'needs-reason';
	return null;
}

/**
 * The limit in force.
 *
 * @param own the keeper's, the newest last
 * @param animals whether anything lives in the water
 * @returns canonical unit a day; null without animals: then only chemistry and what bacteria bear hold it
 */
export function limitFor(
	parameter: Limited,
	direction: 'up' | 'down',
	own: readonly OwnLimit[],
	animals: boolean
): number | null {
	if (!animals) return null;
	const set = own.findLast((o) => o.parameter === parameter && o.direction === direction);
	const { cautious, most } = DAILY_LIMITS[parameter][direction];
	return Math.min(most, set?.perDay ?? cautious);
}

/** What nitrifying bacteria bear in a water that nothing else lives in (convention). */
export const BACTERIA_BEAR: Readonly<Partial<Record<ParameterId, { low: number; high: number }>>> = {
	alkalinity: { low: 2, high: CONVENTIONS.bacteriaAlkalinity.value },
	salinity: { low: 0, high: 42 },
	temperature: { low: 12, high: 34 },
	ph: { low: 6.8, high: 9 }
};
