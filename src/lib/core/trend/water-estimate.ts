import { invertPositiveDefinite, median, truncatedNormal } from '../numeric/index.ts';
import { PARAMETERS, type ParameterId } from '../quantity/index.ts';
import { unsoundness, type Unsound } from '../reading/index.ts';
import { addDays, DAY_MS, daysBetween, instant, type Instant } from '../time/index.ts';
import type { Estimate, History, Prediction, RatePerDay } from './estimate.ts';
import type { HistoryItem } from './history-items.ts';
import { CALCIFYING, leastOf, PER_DKH, type Member } from './layout.ts';
import { beliefAt, seenAt, type Belief, type Sight } from './linear-gaussian/index.ts';
import { passOver, type KeptPasses, type Pass } from './pass.ts';
import { followSalinity, saltinessBy, withSalinity, type SaltinessAt } from './salinity.ts';
import { TREND_SETTINGS } from './settings.ts';
import { treat, type Treated } from './treat.ts';

/** Consumption is told as the mean of so many days, and the begun one. */
export const CONSUMPTION_DAYS = 14;
/** Readings of the latest kit that stand for its common uncertainty. */
const LATEST_READINGS = 12;
/** So many moments of an estimate are kept at once. */
const MOST_TOLD = 32;
/** The three are bound together once each has been read so often. */
const LEAST_TO_BIND = 3;

/** What departs from calcification: alkalinity use beyond what calcium use explains, dKH a day. */
export interface Departure {
	readonly perDay: RatePerDay;
	/** How many standard deviations from none. */
	readonly z: number;
}

export interface WaterEstimate {
	readonly of: (parameter: ParameterId) => Estimate | null;
	/** Null unless alkalinity and calcium are estimated together. */
	readonly departure: Departure | null;
	/** What it could not use, and why; an estimate is made of the rest. */
	readonly leftOut: readonly LeftOut[];
}

/** A reading that could not be reckoned with, or a parameter whose line could not be drawn. */
export interface LeftOut {
	/** Of the reading; null where all of a parameter's readings together have no line. */
	readonly id: string | null;
	readonly parameter: ParameterId;
	readonly why: Unsound | 'no-line';
}

/** Part of a level's variance that the kits' own errors explain: what another reading with them cannot narrow. */
function explainedByKits(belief: Belief, member: Member): number {
	const kits = [...member.biases.values()];
	if (kits.length === 0) return 0;
	const n = belief.mean.length;
	const at = (i: number, j: number) => belief.covariance[i * n + j]!;
	const inverse = invertPositiveDefinite(kits.map((i) => kits.map((j) => at(i, j) + (i === j ? 1e-12 : 0))));
	let sum = 0;
	kits.forEach((i, a) =>
		kits.forEach((j, b) => (sum += at(member.level, i) * inverse[a]![b]! * at(member.level, j)))
	);
	return Math.max(0, sum);
}

/** A level that cannot be less than nothing, as mean and standard deviation of what is left above it. */
function aboveLeast(
	level: number,
	sd: number,
	least: number
): { readonly value: number; readonly sd: number } {
	if (level - least > 4 * sd) return { value: level, sd };
	if (level - least < -6 * sd) return { value: least, sd: sd / 6 };
	const told = truncatedNormal((least - level) / sd, Infinity);
	return { value: level + sd * told.mean, sd: sd * Math.sqrt(told.variance) };
}

class MemberEstimate implements Estimate {
	readonly #run: Pass;
	readonly #member: Member;
	readonly #now: Instant;
	readonly #kitU: number;
	readonly #sumDays: number;
	/** The present is asked for again and again, and by all that follow the salinity. */
	readonly #told = new Map<Instant, Prediction>();

	constructor(run: Pass, member: Member, now: Instant, sumFrom: Instant) {
		this.#run = run;
		this.#member = member;
		this.#now = now;
		this.#sumDays = daysBetween(sumFrom < run.layout.origin ? run.layout.origin : sumFrom, now);
		const latest = member.treated.prepared.observations.slice(-LATEST_READINGS);
		const us = latest.flatMap(({ result }) => (result.kind === 'bound' ? [] : [result.uCommon]));
		this.#kitU = us.length > 0 ? median(us) : 0;
	}
	get #parameter(): ParameterId {
		return this.#member.treated.prepared.parameter;
	}
	get basedOn(): number {
		return this.#member.treated.prepared.observations.length;
	}
	get from(): Instant {
		return this.#member.treated.prepared.origin;
	}
	get mostlyBounds(): boolean {
		return this.#member.treated.mostlyBounds;
	}
	get doubts() {
		return this.#member.treated.doubts;
	}
	get changes() {
		return this.#member.treated.changes;
	}
	get couldShowSteps(): boolean {
		return this.#member.treated.couldShowSteps;
	}
	#belief(time: Instant): Belief {
		const { track, adjoint, layout } = this.#run;
		return beliefAt(track, adjoint, daysBetween(layout.origin, time));
	}
	#seen(time: Instant, sight: Sight) {
		const { track, adjoint, layout } = this.#run;
		return seenAt(track, adjoint, daysBetween(layout.origin, time), sight);
	}
	get consumptionPerDay(): RatePerDay {
		const days = this.#sumDays;
		const { mean, variance } = this.#seen(this.#now, days < 1 ? this.#member.rate : [[this.#member.sum, 1]]);
		const over = days < 1 ? 1 : days;
		// What is used besides what the level shows rests on the strength of what was dosed.
		return { value: mean / over, u: Math.hypot(Math.sqrt(variance) / over, this.#doseU(Math.max(days, 1))) };
	}
	/** Standard uncertainty of the mean of what the doses brought in the last days, per day. */
	#doseU(days: number): number {
		const { treated, offsetDays } = this.#member;
		const end = daysBetween(this.#run.layout.origin, this.#now) - offsetDays;
		const start = end - days;
		let sum = 0;
		let { flowU } = treated.prepared;
		let since = start;
		for (const item of treated.items) {
			if (item.day > end) break;
			if (item.kind === 'step' && item.day > start) sum += item.u;
			if (item.kind !== 'flow') continue;
			if (item.day > since) {
				sum += flowU * (item.day - since);
				since = item.day;
			}
			flowU = item.perDay * (item.relativeU ?? 0);
		}
		return (sum + flowU * (end - since)) / days;
	}
	get netChangePerDay(): RatePerDay {
		const rate = this.rateAt(this.#now);
		const { treated, offsetDays } = this.#member;
		const day = daysBetween(this.#run.layout.origin, this.#now) - offsetDays;
		const flow = treated.items.reduce(
			(last, item: HistoryItem) => (item.kind === 'flow' && item.day <= day ? item.perDay : last),
			treated.prepared.flowPerDay
		);
		return { value: flow - rate.value, u: rate.u };
	}
	rateAt(time: Instant): RatePerDay {
		const { mean, variance } = this.#seen(time, this.#member.rate);
		return { value: mean, u: Math.sqrt(variance) };
	}
	at(time: Instant): Prediction {
		const known = this.#told.get(time) ?? this.#tell(time);
		if (this.#told.size >= MOST_TOLD) this.#told.clear();
		this.#told.set(time, known);
		return known;
	}
	/** Mean and variance of the level, and what of it the kits explain. */
	#levelAt(time: Instant) {
		const { level, biases } = this.#member;
		if (biases.size === 0) return { ...this.#seen(time, [[level, 1]]), kits: 0 };
		// Where all states are asked for anyway, the level is one of them.
		const belief = this.#belief(time);
		const { mean, covariance } = belief;
		return {
			mean: mean[level]!,
			variance: covariance[level * mean.length + level]!,
			kits: explainedByKits(belief, this.#member)
		};
	}
	#tell(time: Instant): Prediction {
		const { momentSd } = TREND_SETTINGS[this.#parameter];
		const { mean, variance, kits } = this.#levelAt(time);
		const random = Math.sqrt(Math.max(0, variance - kits) + momentSd * momentSd);
		const { value, sd } = aboveLeast(mean, Math.max(random, 1e-12), leastOf(this.#parameter));
		return { value, uRandom: sd, uCommon: kits > 0 ? Math.sqrt(kits) : this.#kitU };
	}
}

function departureOf(run: Pass, now: Instant): Departure | null {
	const alkalinity = run.layout.members.find((m) => m.treated.prepared.parameter === 'alkalinity');
	const calcium = run.layout.members.find((m) => m.treated.prepared.parameter === 'calcium');
	if (!alkalinity || !calcium) return null;
	// Calcification itself cancels, whatever its size.
	const { mean, variance } = seenAt(run.track, run.adjoint, daysBetween(run.layout.origin, now), [
		[alkalinity.rate.at(-1)![0], 1],
		[calcium.rate.at(-1)![0], -1 / PER_DKH.calcium]
	]);
	const u = Math.sqrt(variance);
	return { perDay: { value: mean, u }, z: mean / u };
}

/** @throws {RangeError} where an estimate has no finite number to tell for now */
function tellable(estimate: Estimate, now: Instant): void {
	const { value, uRandom, uCommon } = estimate.at(now);
	const rates = [estimate.netChangePerDay, estimate.consumptionPerDay].flatMap((r) => [r.value, r.u]);
	if (![value, uRandom, uCommon, ...rates].every(Number.isFinite)) throw new RangeError('no number is told');
}

/** One parameter that cannot be reckoned leaves the others theirs. */
function attempt<T>(parameters: readonly ParameterId[], leftOut: LeftOut[], work: () => T): T | null {
	try {
		return work();
	} catch (error) {
		if (!(error instanceof RangeError)) throw error;
		leftOut.push(...parameters.map((parameter): LeftOut => ({ id: null, parameter, why: 'no-line' })));
		return null;
	}
}

/** The last pass over parameters that are estimated together; throws where one has nothing finite to tell. */
function together(group: readonly Treated[], now: Instant, sumFrom: Instant, passes: KeptPasses | null) {
	const done = passes ? passes.of(group, sumFrom) : passOver(group, sumFrom);
	const members = done.layout.members.map(
		(member) => [member.treated.prepared.parameter, new MemberEstimate(done, member, now, sumFrom)] as const
	);
	// Asked once, so that what cannot be told is found here and not on a page.
	for (const [, estimate] of members) tellable(estimate, now);
	return { done, members };
}

/** A history of what can be reckoned with; the rest is named. */
function withoutUnsound(history: History, leftOut: LeftOut[]): History {
	const observations = history.observations.filter(({ id, result }) => {
		const why = unsoundness(result);
		if (why) leftOut.push({ id, parameter: history.parameter, why });
		return why === null;
	});
	return observations.length === history.observations.length ? history : { ...history, observations };
}

/**
 * What there is to learn from a water's readings, whenever one looks: how restless each parameter is, which readings
 * are odd, where its use stepped. Plain data, which can be kept; `estimateFrom` tells any moment from it.
 */
export interface LearnedWater {
	/** Salinity first where it is tested: major ions then stand as they would be at S = 35. */
	readonly treated: readonly Treated[];
	readonly leftOut: readonly LeftOut[];
}

/** What a treated salinity tells of the past stays the same as long as it is the same. */
const saltinesses = new WeakMap<Treated, SaltinessAt>();

/** @throws {RangeError} where it has nothing finite to tell */
function saltinessOf(treated: Treated): SaltinessAt {
	const known = saltinesses.get(treated);
	if (known) return known;
	const last = treated.prepared.observations.at(-1)!.at;
	const { members } = together([treated], last, addDays(last, -CONSUMPTION_DAYS), null);
	const told = saltinessBy(members[0]![1]);
	saltinesses.set(treated, told);
	return told;
}

/**
 * @param upTo what was read later is not known yet
 * @param before what was learned earlier: of a parameter about which nothing is new it is taken over
 */
export function learnWater(
	histories: readonly History[],
	upTo: Instant = Number.MAX_SAFE_INTEGER as Instant,
	before: LearnedWater | null = null
): LearnedWater {
	const known = (parameter: ParameterId) =>
		before?.treated.find((t) => t.prepared.parameter === parameter) ?? null;
	const leftOut: LeftOut[] = [];
	const treated: Treated[] = [];
	const usable = histories.map((history) => withoutUnsound(history, leftOut));
	const salted = usable.find((h) => h.parameter === 'salinity');
	const saltiness =
		salted &&
		attempt(['salinity'], leftOut, () => {
			const one = treat(salted, upTo, known('salinity'));
			const told = one && saltinessOf(one);
			if (one) treated.push(one);
			return told;
		});
	for (const history of usable) {
		const { parameter } = history;
		if (parameter === 'salinity') continue;
		const followed = PARAMETERS[parameter].followsSalinity && saltiness;
		const one = attempt([parameter], leftOut, () =>
			treat(followed ? followSalinity(history, saltiness) : history, upTo, known(parameter))
		);
		if (one) treated.push(one);
	}
	return { treated, leftOut };
}

/** Sums over the last fortnight begin with a day, UTC: what is passed over for them holds until midnight. */
function beginOfSums(now: Instant): Instant {
	return instant(Math.floor(addDays(now, -CONSUMPTION_DAYS) / DAY_MS) * DAY_MS);
}

/**
 * Tells a moment from what was learned. Alkalinity, calcium and magnesium are bound by the stoichiometry of
 * calcification once each is read often enough; major ions follow the salinity where that is tested.
 *
 * @param sumFrom begin of the days over which consumption is told; the last fortnight unless given
 * @param passes of earlier moments: what has not changed since is not passed over again
 */
export function estimateFrom(
	learned: LearnedWater,
	now: Instant,
	sumFrom: Instant = beginOfSums(now),
	passes: KeptPasses | null = null
): WaterEstimate {
	const estimates = new Map<ParameterId, Estimate>();
	const leftOut = [...learned.leftOut];
	const add = (group: readonly Treated[]): Pass | null => {
		const parameters = group.map((t) => t.prepared.parameter);
		const told = attempt(parameters, leftOut, () => together(group, now, sumFrom, passes));
		for (const [parameter, estimate] of told?.members ?? []) estimates.set(parameter, estimate);
		return told?.done ?? null;
	};
	const salted = learned.treated.find((t) => t.prepared.parameter === 'salinity');
	if (salted) add([salted]);
	const salinity = estimates.get('salinity') ?? null;
	const others = learned.treated.filter((t) => t !== salted);
	const bound = CALCIFYING.flatMap((p) => {
		const one = others.find((t) => t.prepared.parameter === p);
		return one && one.prepared.observations.length >= LEAST_TO_BIND ? [one] : [];
	});
	const binds =
		bound.some((t) => t.prepared.parameter === 'alkalinity') &&
		bound.some((t) => t.prepared.parameter === 'calcium');
	const calcification = binds ? add(bound) : null;
	for (const one of others) if (!(calcification && bound.includes(one))) add([one]);
	if (salted) {
		for (const [parameter, estimate] of estimates) {
			if (!PARAMETERS[parameter].followsSalinity) continue;
			// Learned at S = 35, it is nothing of this water without the salinity.
			if (salinity) estimates.set(parameter, withSalinity(estimate, salinity));
			else {
				estimates.delete(parameter);
				leftOut.push({ id: null, parameter, why: 'no-line' });
			}
		}
	}
	return {
		of: (parameter) => estimates.get(parameter) ?? null,
		departure: calcification && departureOf(calcification, now),
		// What has no line with others may still have one by itself.
		leftOut: leftOut.filter((l) => l.id !== null || !estimates.has(l.parameter))
	};
}

/** Estimates a water's parameters from all that was read and done. What cannot be used is left out and named. */
export function estimateWater(histories: readonly History[], now: Instant, sumFrom?: Instant): WaterEstimate {
	return estimateFrom(learnWater(histories, now), now, sumFrom);
}

/** One parameter by itself. */
export function estimateOne(history: History, now: Instant, sumFrom?: Instant): Estimate | null {
	return estimateWater([history], now, sumFrom).of(history.parameter);
}
