import { type ParameterId } from '../../src/lib/core/quantity/index.ts';
import { ordinaryLife, simulateWater, type TankKind } from '../../src/lib/core/tank/index.ts';
import { addDays, daysBetween, instant } from '../../src/lib/core/time/index.ts';
import { CONSUMPTION_DAYS, estimateWater } from '../../src/lib/core/trend/index.ts';
import { historiesOf, observationsOf, stateAt } from './history.ts';

/** Days held against the truth in one run of one tank, for one parameter. */
export interface RunTally {
	readonly kind: TankKind;
	readonly parameter: ParameterId;
	readonly days: number;
	readonly inside: number;
	readonly smoothedInside: number;
	/** Summed widths of the 95 % interval, canonical unit. */
	readonly width: number;
	readonly rates: number;
	readonly ratesInside: number;
	readonly rateWidth: number;
	/** Days of the first four weeks, which are reported apart. */
	readonly earlyDays: number;
	readonly earlyInside: number;
	/** Nothing but bounds was read. */
	readonly boundsOnly: boolean;
}

export interface CoverageOptions {
	readonly seed: number;
	readonly disturbed: number;
	/** 1 looks at every day. */
	readonly everyDays: number;
	readonly days: number;
}

const EARLY_DAYS = 28;
const Z95 = 1.959964;
/** In the evening, when a keeper looks. */
const EVENING = 20 / 24;

/** Runs one tank for a year and holds the estimate of each day, from what was read up to it, against the truth. */
export function coverageRun(kind: TankKind, options: CoverageOptions): RunTally[] {
	const start = instant(Date.UTC(2025, 0, 1));
	const { seed, disturbed, everyDays, days } = options;
	const life = ordinaryLife(kind, { seed, start, disturbed, days });
	const truth = simulateWater(life.script);
	const observed = observationsOf(truth.readings);
	const tallies = new Map<ParameterId, { -readonly [K in keyof RunTally]: RunTally[K] }>();
	for (const [parameter, all] of observed) {
		tallies.set(parameter, {
			kind,
			parameter,
			days: 0,
			inside: 0,
			smoothedInside: 0,
			width: 0,
			rates: 0,
			ratesInside: 0,
			rateWidth: 0,
			earlyDays: 0,
			earlyInside: 0,
			boundsOnly: all.every((o) => o.result.kind === 'bound')
		});
	}
	const hindsight = estimateWater(historiesOf(life, observed, addDays(start, days)), addDays(start, days));
	for (let day = 1; day < days; day += everyDays) {
		const now = addDays(start, day + EVENING);
		const estimates = estimateWater(historiesOf(life, observed, now), now);
		const then = stateAt(truth, now);
		const before = stateAt(truth, addDays(now, -CONSUMPTION_DAYS));
		for (const [parameter, tally] of tallies) {
			const estimate = estimates.of(parameter);
			const level = then.levels[parameter];
			if (!estimate || level === undefined) continue;
			const { value, uRandom, uCommon } = estimate.at(now);
			const half = Z95 * Math.hypot(uRandom, uCommon);
			const inside = Math.abs(level - value) <= half ? 1 : 0;
			if (day <= EARLY_DAYS) {
				tally.earlyDays++;
				tally.earlyInside += inside;
				continue;
			}
			tally.days++;
			tally.inside += inside;
			tally.width += 2 * half;
			const late = hindsight.of(parameter)!.at(now);
			tally.smoothedInside +=
				Math.abs(level - late.value) <= Z95 * Math.hypot(late.uRandom, late.uCommon) ? 1 : 0;
			if (parameter === 'salinity' || daysBetween(estimate.from, now) < EARLY_DAYS) continue;
			const rate = estimate.consumptionPerDay;
			const used = (then.used[parameter]! - before.used[parameter]!) / CONSUMPTION_DAYS;
			tally.rates++;
			tally.ratesInside += Math.abs(used - rate.value) <= Z95 * rate.u ? 1 : 0;
			tally.rateWidth += 2 * Z95 * rate.u;
		}
	}
	return [...tallies.values()];
}

export interface Cell {
	readonly runs: number;
	readonly share: number;
	/** Standard error of the share, from how the runs differ. */
	readonly error: number;
	readonly smoothed: number;
	readonly width: number;
	readonly rateShare: number;
	readonly rateError: number;
	readonly rateWidth: number;
	readonly early: number;
}

/** Share of days inside, pooled over runs, with a standard error by runs (a ratio estimate). */
function pooled(tallies: readonly RunTally[], hits: (t: RunTally) => number, of: (t: RunTally) => number) {
	const n = tallies.length;
	const total = tallies.reduce((s, t) => s + of(t), 0);
	const share = tallies.reduce((s, t) => s + hits(t), 0) / total;
	const spread = tallies.reduce((s, t) => s + (hits(t) - share * of(t)) ** 2, 0);
	return { share, error: Math.sqrt((n / Math.max(1, n - 1)) * spread) / total };
}

export function cellOf(tallies: readonly RunTally[]): Cell {
	const all = pooled(
		tallies,
		(t) => t.inside,
		(t) => t.days
	);
	const rates = pooled(
		tallies,
		(t) => t.ratesInside,
		(t) => t.rates
	);
	const sum = (pick: (t: RunTally) => number) => tallies.reduce((s, t) => s + pick(t), 0);
	return {
		runs: tallies.length,
		...all,
		smoothed: sum((t) => t.smoothedInside) / sum((t) => t.days),
		width: sum((t) => t.width) / sum((t) => t.days),
		rateShare: rates.share,
		rateError: rates.error,
		rateWidth: sum((t) => t.rateWidth) / sum((t) => t.rates),
		early: sum((t) => t.earlyInside) / sum((t) => t.earlyDays)
	};
}
