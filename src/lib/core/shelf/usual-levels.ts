import type { ParameterId } from '../quantity/index.ts';

/** What a water usually holds, canonical units: what reagent is reckoned for where nothing better is known. */
export const USUAL_LEVELS: Readonly<Record<ParameterId, number>> = {
	alkalinity: 8,
	calcium: 420,
	magnesium: 1300,
	potassium: 395,
	nitrate: 6,
	phosphate: 0.06,
	ammonia: 0.1,
	nitrite: 0.1,
	salinity: 35,
	ph: 8.1,
	temperature: 25,
	hardness: 8
};
