import { createHash } from 'node:crypto';
import { normalDeviate, roundTo, seededRandom } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import type { Bottle, Laboratory, ReportLine } from './laboratory.ts';

/** Expanded uncertainty that it states, k = 2: the larger of an amount and a share of the value (convention). */
const STATED: Readonly<
	Partial<Record<ParameterId, { readonly least: number; readonly share: number; readonly step: number }>>
> = {
	alkalinity: { least: 0.1, share: 0.02, step: 0.01 },
	calcium: { least: 4, share: 0.02, step: 1 },
	magnesium: { least: 12, share: 0.02, step: 1 },
	potassium: { least: 6, share: 0.03, step: 1 },
	nitrate: { least: 0.1, share: 0.04, step: 0.01 },
	phosphate: { least: 0.006, share: 0.05, step: 0.001 },
	ammonia: { least: 0.02, share: 0.05, step: 0.001 },
	nitrite: { least: 0.01, share: 0.05, step: 0.001 },
	salinity: { least: 0.1, share: 0, step: 0.01 },
	hardness: { least: 0.1, share: 0.02, step: 0.01 }
};
const SOONEST_DAYS = 3;
const MOST_EXTRA_DAYS = 3;

const seedOf = (text: string) => createHash('sha256').update(text).digest().readUInt32BE(0);

/**
 * A laboratory without a building: it answers after three to six days with an error drawn from the uncertainty that it
 * states, the same for the same bottle on every asking.
 */
export const SIMULATED_LABORATORY: Laboratory = {
	name: 'simulated laboratory',
	answersAfterDays: ({ id }: Bottle) => SOONEST_DAYS + (seedOf(`days ${id}`) % (MOST_EXTRA_DAYS + 1)),
	report({ id, parameters }, holds): ReportLine[] {
		const random = seededRandom(seedOf(`report ${id}`));
		return parameters.flatMap((parameter) => {
			const stated = STATED[parameter];
			const truth = holds[parameter];
			if (!stated || truth === undefined) return [];
			const expandedU = Math.max(stated.least, stated.share * truth);
			const value = roundTo(Math.max(0, normalDeviate(random, truth, expandedU / 2)), stated.step);
			return [{ parameter, value, expandedU: Number(expandedU.toPrecision(2)) }];
		});
	}
};
