import { addDays } from '../time/index.ts';
import type { ConsumptionChange } from './estimate.ts';
import type { HistoryItem, Prepared } from './history-items.ts';
import {
	adjointOf,
	emptyTrack,
	EXCHANGE,
	filterLevelRate,
	smoothedAt,
	timelineOf,
	type Timeline,
	type Track,
	type WanderNoise
} from './level-rate/index.ts';
import { modelOf } from './wander.ts';

/** A step is looked for on every day; beyond so many days of readings behind it nothing new is learned of it. */
const LOOK_AFTER_DAYS = 45;
/** Before a step is looked for, the filter must know the rate it stepped from. */
const READINGS_BEFORE = 5;
/** One reading alone may be odd. */
const READINGS_AFTER = 2;
/** Steps of some size come about so often (convention). */
const DAYS_BETWEEN_STEPS = 60;
/** A step is told when it is so likely: about one false alarm in a year of usual drift (docs/calibration.md). */
const TELL_ABOVE = 0.67;
/** Two steps nearer to each other than this are one. */
const APART_DAYS = 14;
const MOST_STEPS = 40;
const COVERED = 0.95;

interface Filtered {
	readonly timeline: Timeline;
	readonly track: Track;
	/** How large a step may be before anything is read, canonical unit a day. */
	readonly stepSd: number;
}

interface Candidate {
	readonly day: number;
	/** ln of the Bayes factor for a step on this day against none. */
	readonly support: number;
}

/**
 * What a step of the rate on a day would have done to the filter's innovations, and how much they speak for it.
 *
 * @see Willsky & Jones (1976), IEEE Trans. Automatic Control 21, 108 (generalized likelihood ratio); the size of the
 *   step is integrated over its prior
 */
function supportFor({ timeline, track, stepSd }: Filtered, day: number, first: number): Candidate {
	let [level, rate, now] = [0, 1, day];
	let [information, agreement, readings] = [0, 0, 0];
	for (let i = first; i < timeline.length && timeline.day[i]! - day <= LOOK_AFTER_DAYS; i++) {
		level -= rate * (timeline.day[i]! - now);
		now = timeline.day[i]!;
		const spread = track.spread[i]!;
		if (timeline.kind[i] === EXCHANGE) level *= 1 - timeline.a[i]!;
		if (spread <= 0) continue;
		// The unit step's mark on this innovation; then the filter corrects for it as it does for the water.
		readings++;
		information += (level * level) / spread;
		agreement += (level * track.innovation[i]!) / spread;
		const seen = level;
		level -= (track.before.levelVariance[i]! / spread) * seen;
		rate -= (track.before.covariance[i]! / spread) * seen;
	}
	if (readings < READINGS_AFTER) return { day, support: -Infinity };
	const step = agreement / (information + 1 / stepSd ** 2);
	return { day, support: 0.5 * (agreement * step - Math.log(1 + information * stepSd ** 2)) };
}

/** Days beyond which a step found elsewhere changes nothing any more. */
const FAR_DAYS = 3 * LOOK_AFTER_DAYS;

/**
 * A candidate for every day. After a step was found only the days about it are reckoned anew: further off, its mark on
 * the filter has died away.
 */
function candidatesOf(
	filtered: Filtered,
	{
		found,
		latest,
		before
	}: {
		/** Days of the steps that were found, all and the last ones. */
		readonly found: readonly number[];
		readonly latest: readonly number[];
		readonly before: ReadonlyMap<number, Candidate>;
	}
): Map<number, Candidate> {
	const { timeline, track } = filtered;
	const candidates = new Map<number, Candidate>();
	let read = 0;
	let day = 0;
	for (let i = 0; i < timeline.length; i++) {
		const from = Math.max(day, i > 0 ? timeline.day[i - 1]! : 0);
		if (read >= READINGS_BEFORE) {
			for (day = Math.max(day, Math.ceil(from)); day <= timeline.day[i]!; day++) {
				if (found.some((k) => Math.abs(k - day) < APART_DAYS)) continue;
				const untouched = latest.length > 0 && latest.every((k) => Math.abs(k - day) > FAR_DAYS);
				const known = untouched ? before.get(day) : undefined;
				candidates.set(day, known ?? supportFor(filtered, day, i));
			}
		}
		if (track.spread[i]! > 0) read++;
	}
	return candidates;
}

interface Found {
	readonly best: Candidate;
	readonly earliest: number;
	readonly latest: number;
	readonly probability: number;
}

/** The likeliest step about one peak of support, with the days that it may have been on. */
function peakOf(candidates: readonly Candidate[]): Found | null {
	const best = candidates.reduce<Candidate | null>((a, b) => (a && a.support >= b.support ? a : b), null);
	if (!best || best.support === -Infinity) return null;
	const near = candidates.filter((c) => Math.abs(c.day - best.day) <= LOOK_AFTER_DAYS);
	const weights = near.map((c) => Math.exp(c.support - best.support));
	const sum = weights.reduce((a, b) => a + b, 0);
	const odds = (Math.exp(Math.min(best.support, 600)) * sum) / DAYS_BETWEEN_STEPS;
	const edge = (from: number, by: 1 | -1): number => {
		let left = (1 - COVERED) / 2;
		let k = from;
		while (k + by >= 0 && k + by < near.length && weights[k]! / sum < left) {
			left -= weights[k]! / sum;
			k += by;
		}
		return near[k]!.day;
	};
	return {
		best,
		earliest: edge(0, 1),
		latest: edge(near.length - 1, -1),
		probability: odds / (1 + odds)
	};
}

/** The clearest steps that are far enough from each other to be told at once. */
function peaksOf(candidates: readonly Candidate[]): Found[] {
	const peaks: Found[] = [];
	let rest = candidates;
	for (;;) {
		const peak = peakOf(rest);
		if (!peak || peak.probability < TELL_ABOVE) return peaks;
		peaks.push(peak);
		rest = rest.filter((c) => Math.abs(c.day - peak.best.day) > FAR_DAYS);
	}
}

export interface FoundSteps {
	/** The items with every step let in: the rate is free to have jumped there. */
	readonly items: readonly HistoryItem[];
	readonly changes: readonly ConsumptionChange[];
}

/**
 * Steps of the consumption: found, dated with an interval, one after the other, the clearest first. Steady drift of
 * the usual size is no step, so the noise to hold it against is the usual one, not what the step itself has blown up.
 *
 * @param stepSd how large a step may be before anything is read
 */
export function findSteps(
	prepared: Prepared,
	items: readonly HistoryItem[],
	noise: WanderNoise,
	stepSd: number
): FoundSteps {
	let current = items;
	const found: Found[] = [];
	let candidates: ReadonlyMap<number, Candidate> = new Map();
	let latest: readonly number[] = [];
	while (found.length < MOST_STEPS) {
		const timeline = timelineOf(current);
		const track = emptyTrack(timeline.length);
		filterLevelRate(timeline, modelOf(prepared, noise), track);
		const days = found.map((f) => f.best.day);
		candidates = candidatesOf({ timeline, track, stepSd }, { found: days, latest, before: candidates });
		const peaks = peaksOf([...candidates.values()]);
		if (peaks.length === 0) break;
		found.push(...peaks);
		latest = peaks.map((p) => p.best.day);
		const steps = peaks.map(({ best: { day } }): HistoryItem => ({
			kind: 'loosen',
			day,
			levelVariance: 0,
			rateVariance: stepSd ** 2,
			cause: 'step'
		}));
		// Before what is read on its day, so that the day's reading already tells of it.
		current = [...steps, ...current].sort((a, b) => a.day - b.day);
	}
	if (found.length === 0) return { items, changes: [] };

	const timeline = timelineOf(current);
	const model = modelOf(prepared, noise);
	const track = emptyTrack(timeline.length);
	filterLevelRate(timeline, model, track);
	const adjoint = adjointOf(timeline, model, track);
	const rateAfter = (i: number) => {
		const { rate, rateVariance } = smoothedAt(track, adjoint, i);
		return { value: rate, u: Math.sqrt(rateVariance) };
	};
	const changes = found
		.sort((a, b) => a.best.day - b.best.day)
		.map(({ best, earliest, latest, probability }): ConsumptionChange => {
			const i = current.findIndex((item) => item.cause === 'step' && item.day === best.day);
			return {
				at: addDays(prepared.origin, best.day),
				earliest: addDays(prepared.origin, earliest),
				latest: addDays(prepared.origin, latest),
				before: rateAfter(i - 1),
				after: rateAfter(i),
				probability
			};
		});
	return { items: current, changes };
}
