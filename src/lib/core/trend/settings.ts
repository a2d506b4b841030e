import type { ParameterId } from '../quantity/index.ts';

interface TrendSettings {
	/** Standard deviation of a moment about its day, by light and breathing: it is no error, and no trend either. */
	readonly momentSd: number;
	/** Consumption is not a thing that this parameter has; it wanders about and comes back. */
	readonly drifts: boolean;
	/** How large a consumption is before anything is read, one standard deviation, canonical unit a day. */
	readonly rateSd: number;
	/** What a level does in a root day by what nobody logged: at least this, canonical unit, */
	readonly levelSd: number;
	/** or this share of itself. */
	readonly levelShare: number;
	/** How far untested new water may be from the water that it replaces, one standard deviation, canonical unit. */
	readonly newWaterSd: number;
	/** A reading on this side is never weighed down: acting on a false alarm costs less than missing a true one. */
	readonly neverDoubted: 'high' | 'both' | null;
}

const CONSUMED = { momentSd: 0, levelShare: 0, drifts: true, neverDoubted: null } as const;
const STATE = { drifts: false, levelShare: 0, neverDoubted: 'both' } as const;

/** Conventions of the estimate for each parameter (husbandry, not physical law; docs/decisions/estimate.md). */
export const TREND_SETTINGS: Readonly<Record<ParameterId, TrendSettings>> = {
	alkalinity: { ...CONSUMED, momentSd: 0.05, rateSd: 0.8, levelSd: 0.008, newWaterSd: 0.7 },
	calcium: { ...CONSUMED, rateSd: 8, levelSd: 0.7, newWaterSd: 15 },
	magnesium: { ...CONSUMED, rateSd: 0.8, levelSd: 0.7, newWaterSd: 40 },
	potassium: { ...CONSUMED, rateSd: 0.5, levelSd: 0.3, newWaterSd: 15 },
	// What is used of nutrients follows what is there and what is fed, from week to week.
	nitrate: { ...CONSUMED, rateSd: 2, levelSd: 0.05, levelShare: 0.09, newWaterSd: 3 },
	phosphate: { ...CONSUMED, rateSd: 0.02, levelSd: 0.002, levelShare: 0.1, newWaterSd: 0.05 },
	ammonia: {
		...CONSUMED,
		neverDoubted: 'high',
		rateSd: 0.3,
		levelSd: 0.003,
		levelShare: 0.1,
		newWaterSd: 0.05
	},
	nitrite: {
		...CONSUMED,
		neverDoubted: 'high',
		rateSd: 0.3,
		levelSd: 0.003,
		levelShare: 0.1,
		newWaterSd: 0.02
	},
	ph: { ...STATE, momentSd: 0.08, rateSd: 0.02, levelSd: 0.02, newWaterSd: 0.2 },
	salinity: { ...STATE, momentSd: 0, rateSd: 0.03, levelSd: 0.08, newWaterSd: 0.7 },
	temperature: { ...STATE, momentSd: 0.2, rateSd: 0.05, levelSd: 0.06, newWaterSd: 1 },
	hardness: { ...CONSUMED, rateSd: 0.03, levelSd: 0.01, newWaterSd: 1 }
};
