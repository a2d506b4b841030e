import type { ParameterId } from '../quantity/index.ts';

/** What may change in a day by hand. */
export const LIMITED = [
	'alkalinity',
	'calcium',
	'magnesium',
	'potassium',
	'nitrate',
	'phosphate',
	'salinity',
	'temperature',
	'hardness'
] as const satisfies readonly ParameterId[];
export type Limited = (typeof LIMITED)[number];

interface DailyLimit {
	/** Taken unless the keeper set another. */
	readonly cautious: number;
	/** No keeper may set more than this. */
	readonly most: number;
}

/**
 * Largest net change of a water in a day, dose less consumption, canonical units (husbandry conventions for waters with
 * animals, not physical laws).
 */
export const DAILY_LIMITS: Readonly<Record<Limited, { readonly up: DailyLimit; readonly down: DailyLimit }>> =
	{
		alkalinity: { up: { cautious: 0.5, most: 1 }, down: { cautious: 0.5, most: 1 } },
		calcium: { up: { cautious: 20, most: 50 }, down: { cautious: 20, most: 50 } },
		magnesium: { up: { cautious: 50, most: 100 }, down: { cautious: 50, most: 100 } },
		potassium: { up: { cautious: 10, most: 20 }, down: { cautious: 10, most: 20 } },
		nitrate: { up: { cautious: 2, most: 5 }, down: { cautious: 2, most: 10 } },
		phosphate: { up: { cautious: 0.02, most: 0.05 }, down: { cautious: 0.02, most: 0.05 } },
		salinity: { up: { cautious: 0.5, most: 1 }, down: { cautious: 1, most: 2 } },
		temperature: { up: { cautious: 0.5, most: 1 }, down: { cautious: 0.5, most: 1 } },
		hardness: { up: { cautious: 1, most: 2 }, down: { cautious: 1, most: 2 } }
	};

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
	alkalinity: { low: 2, high: 14 },
	salinity: { low: 0, high: 42 },
	temperature: { low: 12, high: 34 },
	ph: { low: 6.8, high: 9 }
};
