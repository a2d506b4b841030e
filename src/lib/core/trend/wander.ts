import { median } from '../numeric/index.ts';
import {
	adjointOf,
	emptyTrack,
	filterLevelRate,
	isMeasurement,
	smoothedAt,
	timelineOf,
	type LevelRateModel,
	type Timeline,
	type WanderNoise
} from './level-rate/index.ts';
import type { Instant } from '../time/index.ts';
import type { History } from './estimate.ts';
import { prepare, type HistoryItem, type Prepared } from './history-items.ts';
import { TREND_SETTINGS } from './settings.ts';

/** Share of itself by which consumption drifts in thirty days (convention; 0.2 to 0.3 is usual), and what is tried. */
const USUAL_DRIFT = 0.25;
const DRIFTS = [0.08, 0.25, 0.6, 1.5, 4];
/** What is tried of a level's own wander, in parts of what is usual for the parameter. */
const LEVELS = [0.15, 0.4, 1, 2.5, 6];
/** How far the data may pull the noise from what is usual, standard deviation in the logarithm. */
const PRIOR_LOG_SD = 1.4;
const DRIFT_DAYS = 30;
/** Readings further off than this count for less while the wander is learned. */
const TOLERANCE = { from: 3 } as const;

export function modelOf(prepared: Prepared, noise: WanderNoise): LevelRateModel {
	return { startDay: 0, prior: prepared.prior, flowPerDay: prepared.flowPerDay, ...noise };
}

/** The least consumption that drift is a share of: less is not told from none by such readings. */
function leastRate({ usualU, parameter }: Prepared): number {
	return Math.min(usualU / 3, TREND_SETTINGS[parameter].rateSd / 60);
}

/** @param level what it wanders, in parts of what is usual for the parameter */
function noiseOf(prepared: Prepared, level: number, drift: number, rate: number): WanderNoise {
	const { levelSd, levelShare } = TREND_SETTINGS[prepared.parameter];
	return {
		levelPerDay: (level * Math.max(levelSd, levelShare * prepared.usualLevel)) ** 2,
		ratePerDay: (drift * Math.max(rate, leastRate(prepared))) ** 2 / DRIFT_DAYS
	};
}

/** A usual consumption, from a first smoothing with much drift allowed. */
function usualRate(prepared: Prepared, timeline: Timeline): number {
	const model = modelOf(prepared, noiseOf(prepared, 1, 1, 0));
	const track = emptyTrack(timeline.length);
	filterLevelRate(timeline, model, track, TOLERANCE);
	const adjoint = adjointOf(timeline, model, track);
	const rates: number[] = [];
	for (let i = 0; i < timeline.length; i++) {
		if (isMeasurement(timeline.kind[i]!)) rates.push(Math.abs(smoothedAt(track, adjoint, i).rate));
	}
	return rates.length === 0 ? 0 : median(rates);
}

/** One day's consumption differs from the next by such a share (convention). */
const DAILY_WOBBLE = 0.07;

export interface UsualWander {
	readonly noise: WanderNoise;
	/** The size of a usual consumption, canonical unit a day. */
	readonly rate: number;
}

/** The drift that is usual for such a water: a quarter of its consumption in a month. */
export function usualWander(prepared: Prepared, items: readonly HistoryItem[]): UsualWander {
	const rate = usualRate(prepared, timelineOf(items));
	const { levelPerDay, ratePerDay } = noiseOf(prepared, 1, USUAL_DRIFT, rate);
	return { noise: { levelPerDay: levelPerDay + (DAILY_WOBBLE * rate) ** 2, ratePerDay }, rate };
}

/**
 * How much a water's level and consumption wander, by the likelihood of its readings on a grid about what is usual,
 * each combination weighed by what the readings and the convention say together, so that one more reading never makes
 * it jump. A single odd reading counts for little in it.
 */
export function fitWander(prepared: Prepared, items: readonly HistoryItem[] = prepared.items): WanderNoise {
	const timeline = timelineOf(items);
	const rate = usualRate(prepared, timeline);
	const { drifts } = TREND_SETTINGS[prepared.parameter];
	const tried = LEVELS.flatMap((level) => (drifts ? DRIFTS : [0.02]).map((drift) => ({ level, drift })));
	const usualDrift = drifts ? USUAL_DRIFT : 0.02;
	const scores = tried.map(({ level, drift }) => {
		const noise = noiseOf(prepared, level, drift, rate);
		const off = Math.hypot(Math.log(level), Math.log(drift / usualDrift)) / PRIOR_LOG_SD;
		return filterLevelRate(timeline, modelOf(prepared, noise), null, TOLERANCE) - 0.5 * off * off;
	});
	const best = Math.max(...scores);
	let [sum, level, drift] = [0, 0, 0];
	scores.forEach((score, i) => {
		const weight = Math.exp(score - best);
		sum += weight;
		level += weight * Math.log(tried[i]!.level);
		drift += weight * Math.log(tried[i]!.drift);
	});
	return noiseOf(prepared, Math.exp(level / sum), Math.exp(drift / sum), rate);
}

/** What a parameter was found to wander by itself; null without a reading. */
export function learnedWander(history: History, now: Instant): WanderNoise | null {
	const prepared = prepare(history, now);
	return prepared && fitWander(prepared);
}
