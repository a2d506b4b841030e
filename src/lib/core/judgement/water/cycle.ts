import { CONVENTIONS } from '../../caution/index.ts';
import { boundsOf, pointOf } from '../../reading/index.ts';
import { bandAt } from '../../record/index.ts';
import { addDays, daysBetween, type Instant } from '../../time/index.ts';
import { afterCycle, cycleReadingOf, followCycle, type AfterCycle, type CycleState } from '../index.ts';
import type { WaterRecord } from './record.ts';

/** The cycle is told for so long after it was done. */
const CYCLE_TOLD_DAYS = 60;
/** Nitrate that the first animals of a tank may meet, mg/L (husbandry convention). */
const AFTER_CYCLE_NITRATE = CONVENTIONS.firstAnimalsNitrate.value;

/** The cycle of a new tank as far as it has come, and what comes after it. */
export interface CycleToday {
	readonly state: CycleState;
	readonly after: AfterCycle | null;
	/** Everything that was read of it, for its curves. */
	readonly curves: readonly {
		readonly parameter: 'ammonia' | 'nitrite' | 'nitrate';
		readonly at: Instant;
		readonly lower: number;
		/** Null for "more than". */
		readonly upper: number | null;
	}[];
}

/** How far the cycle of a tank has come; null where there is none to tell of. */
export function cycleOf({
	water,
	now,
	timeZone,
	results,
	settings,
	targets,
	methods
}: Pick<WaterRecord, 'water' | 'timeZone' | 'results' | 'settings' | 'targets' | 'methods'> & {
	readonly now: Instant;
}): CycleToday | null {
	if (water.profile !== 'cycling') {
		// A tank that has moved on keeps its curve in sight for a while.
		const young = water.profile !== null && daysBetween(water.startedAt, now) < 2 * CYCLE_TOLD_DAYS;
		if (!young || water.kind !== 'tank') return null;
	}
	const methodOf = new Map(methods.map((m) => [m.code, m]));
	const readings = results.flatMap(({ at, result, methodCode }) => {
		const method = methodOf.get(methodCode);
		const reading = method ? cycleReadingOf(at, result, method) : null;
		return reading ? [reading] : [];
	});
	if (readings.length === 0) return null;
	const state = followCycle(readings, { startedAt: water.startedAt, timeZone }, now, settings.cycle);
	if (water.profile !== 'cycling' && state.phase === 'not-seen') return null;
	const nitrate = results.findLast(
		(r) => r.result.parameter === 'nitrate' && state.doneAt !== null && r.at >= addDays(state.doneAt, -1)
	);
	const limit = bandAt(targets, 'nitrate', now)?.high ?? null;
	// "Below 60 until the change, then below 20": the first animals want the lower one.
	const wanted = Math.min(limit ?? AFTER_CYCLE_NITRATE, AFTER_CYCLE_NITRATE);
	return {
		state,
		after:
			state.doneAt === null
				? null
				: afterCycle(
						nitrate ? (pointOf(nitrate.result)?.value ?? boundsOf(nitrate.result).lower) : null,
						wanted
					),
		curves: results.flatMap(({ at, result }) => {
			const { parameter } = result;
			return parameter === 'ammonia' || parameter === 'nitrite' || parameter === 'nitrate'
				? [{ parameter, at, ...boundsOf(result) }]
				: [];
		})
	};
}
