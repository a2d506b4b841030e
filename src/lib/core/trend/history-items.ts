import type { ConcentrationInput } from '../balance/index.ts';
import { median } from '../numeric/index.ts';
import { PARAMETERS, POSSIBLE_IN_WATER, type ParameterId } from '../quantity/index.ts';
import { boundsOf, pointOf, type TestResult } from '../reading/index.ts';
import { daysBetween, type Instant } from '../time/index.ts';
import type { History, Observation } from './estimate.ts';
import type { LevelRate, TimelineItem } from './level-rate/index.ts';
import { TREND_SETTINGS } from './settings.ts';

/** An item on the way to the filters; a measurement knows its observation. */
export type HistoryItem = TimelineItem & {
	readonly of?: Observation;
	/** What of a measurement's u stands for the error of its kit against the usual one. */
	readonly kitU?: number;
	/** Why less is known from here on: the consumption stepped, the dosing was set anew, or the water jumped. */
	readonly cause?: 'step' | 'setting' | 'jump';
	/** Of a flow: how well it is known what it brings. */
	readonly relativeU?: number;
};

/** Noise of placing a colour between its neighbours, as part of the interval's width (convention). */
const EDGE_NOISE = 0.2;
/** A bound's own noise, as part of the limit (convention). */
const BOUND_NOISE = 0.15;
/** A dose that nobody has checked by readings may be so far from what is used (convention). */
const UNSURE_OF_DOSE = 0.5;
/** Relative standard uncertainty of how much water a change really exchanged (convention). */
const EXCHANGE_RELATIVE_U = 0.05;

/** Standard uncertainty that a repeat would average down. */
export function randomU(result: TestResult): number {
	switch (result.kind) {
		case 'value':
			return result.uRandom;
		case 'interval':
			return (result.upper - result.lower) / Math.sqrt(12);
		case 'bound':
			return Math.max(result.limit * 0.5, PARAMETERS[result.parameter].plausibleSpread / 20);
	}
}

function commonU(result: TestResult): number {
	return result.kind === 'bound' ? 0 : result.uCommon;
}

/** A number to begin from; of a bound somewhere beyond it. */
export function roughValue(result: TestResult): number {
	if (result.kind === 'bound') return result.sense === '<' ? result.limit / 2 : result.limit * 1.2;
	return pointOf(result)!.value;
}

/** Noise of the looking itself: of a value its random part, of an interval or bound what its ends may be off. */
export function measurementNoise(result: TestResult): number {
	switch (result.kind) {
		case 'value':
			return result.uRandom;
		case 'interval':
			return Math.max(EDGE_NOISE * (result.upper - result.lower), leastNoise(result));
		case 'bound':
			return Math.max(BOUND_NOISE * result.limit, leastNoise(result));
	}
}

const leastNoise = ({ parameter }: TestResult) => PARAMETERS[parameter].plausibleSpread * 1e-3;

/**
 * What a result says to the filter: a value as a value, an interval as an interval, a bound as an open one.
 *
 * @param kitU error of its kit against the usual one, canonical unit
 */
function measurementOf(observation: Observation, day: number, kitU: number): HistoryItem {
	const { result } = observation;
	const momentSd = Math.hypot(TREND_SETTINGS[result.parameter].momentSd, kitU);
	const own = { of: observation, ...(kitU > 0 ? { kitU } : {}) };
	if (result.kind === 'value') {
		// Even a reader without any noise leaves something open; zero would stop the filter.
		const u = Math.max(
			Math.hypot(measurementNoise(result), momentSd),
			1e-6 * Math.max(1, Math.abs(result.value))
		);
		return { kind: 'value', day, value: result.value, u, ...own };
	}
	const { lower, upper } = boundsOf(result);
	// Nothing lies below nothing; an interval that begins there is open downwards for the noise's sake.
	const open = lower <= POSSIBLE_IN_WATER[result.parameter].least;
	return {
		kind: 'interval',
		day,
		lower: open ? POSSIBLE_IN_WATER[result.parameter].least : lower,
		upper: upper ?? Infinity,
		u: Math.hypot(measurementNoise(result), momentSd),
		...own
	};
}

function flowItems(inputs: readonly ConcentrationInput[], dayOf: (at: Instant) => number): HistoryItem[] {
	const flows = inputs.filter((i) => i.kind === 'flow');
	const edges = [...new Set(flows.flatMap((f) => [f.from, f.to]))].sort((a, b) => a - b);
	const items: HistoryItem[] = [];
	let before = 0;
	let lastU = 0;
	for (const edge of edges) {
		const running = flows.filter((f) => f.from <= edge && edge < f.to);
		const perDay = running.reduce((sum, f) => sum + f.perDay, 0);
		if (perDay === before) continue;
		const relativeU = Math.max(...running.map((f) => f.relativeU), 0) || lastU;
		lastU = relativeU;
		const day = dayOf(edge);
		items.push({ kind: 'flow', day, perDay, relativeU });
		// Strength and volume are known only so well: what a new setting really adds is new as well.
		items.push({
			kind: 'loosen',
			day,
			levelVariance: 0,
			rateVariance: (relativeU * (perDay - before)) ** 2,
			cause: 'setting'
		});
		before = perDay;
	}
	return items;
}

function inputItems(
	parameter: ParameterId,
	inputs: readonly ConcentrationInput[],
	dayOf: (at: Instant) => number
): HistoryItem[] {
	const single = inputs.flatMap((input): HistoryItem[] => {
		if (input.kind === 'step') {
			return [{ kind: 'step', day: dayOf(input.at), amount: input.amount, u: input.u }];
		}
		if (input.kind === 'flow') return [];
		const { fraction, newWater } = input;
		return [
			{
				kind: 'exchange',
				day: dayOf(input.at),
				fraction,
				newWater: newWater?.value ?? null,
				uNewWater: newWater?.u ?? TREND_SETTINGS[parameter].newWaterSd,
				uFraction: EXCHANGE_RELATIVE_U * fraction
			}
		];
	});
	return [...flowItems(inputs, dayOf), ...single];
}

/** What is common to all readings of a kit, kit by kit. */
export function commonUOfKits(observations: readonly Observation[]): Map<string, number> {
	const all = new Map<string, number[]>();
	for (const { kit, result } of observations) {
		const known = all.get(kit);
		if (known) known.push(commonU(result));
		else all.set(kit, [commonU(result)]);
	}
	return new Map([...all].map(([kit, us]) => [kit, median(us)]));
}

function mostRead(observations: readonly Observation[]): string {
	const counts = new Map<string, number>();
	for (const { kit } of observations) counts.set(kit, (counts.get(kit) ?? 0) + 1);
	return [...counts].reduce((most, kit) => (kit[1] > most[1] ? kit : most))[0];
}

export interface Prepared {
	readonly parameter: ParameterId;
	readonly origin: Instant;
	readonly observations: readonly Observation[];
	/** With the observations all that the rest follows from. */
	readonly inputs: readonly ConcentrationInput[];
	/** Measurements first at equal times; what is still to come stands after them. */
	readonly items: readonly HistoryItem[];
	readonly prior: LevelRate;
	readonly flowPerDay: number;
	/** Standard uncertainty of it. */
	readonly flowU: number;
	/** Random standard uncertainty of a usual reading. */
	readonly usualU: number;
	readonly usualLevel: number;
}

/** What was read up to a time. */
export function readUntil({ observations }: History, now: Instant): readonly Observation[] {
	return observations.filter((o) => o.at <= now);
}

/** @returns null without a single reading up to now */
export function prepare(history: History, now: Instant): Prepared | null {
	const { parameter } = history;
	const observations = readUntil(history, now);
	const first = observations[0];
	if (!first) return null;
	const origin = first.at;
	const dayOf = (at: Instant) => daysBetween(origin, at);

	// A second kit's error against the usual kit's is one more unknown in what one parameter's filter sees.
	const kits = commonUOfKits(observations);
	const usual = mostRead(observations);
	const kitU = (o: Observation) => (o.kit === usual ? 0 : Math.hypot(kits.get(o.kit)!, kits.get(usual)!));

	const happened = inputItems(parameter, history.inputs, dayOf);
	let flowPerDay = 0;
	let flowU = 0;
	const later = happened.filter((item) => {
		if (item.day > 0) return true;
		if (item.kind === 'flow') {
			flowPerDay = item.perDay;
			flowU = item.perDay * (item.relativeU ?? 0);
		}
		return false;
	});
	const isRead = (item: HistoryItem) => (item.of ? 0 : 1);
	const items = [...observations.map((o) => measurementOf(o, dayOf(o.at), kitU(o))), ...later].sort(
		(a, b) => a.day - b.day || isRead(a) - isRead(b)
	);
	const { plausibleSpread } = PARAMETERS[parameter];
	const rough = roughValue(first.result);
	return {
		parameter,
		origin,
		observations,
		inputs: history.inputs,
		items,
		flowPerDay,
		flowU,
		usualU: Math.max(median(observations.map((o) => randomU(o.result))), plausibleSpread * 1e-4),
		usualLevel: median(observations.map((o) => roughValue(o.result))),
		prior: {
			level: rough,
			// Before anything is learned, what is dosed is what is used: nobody doses a water that uses nothing.
			rate: flowPerDay,
			levelVariance: Math.max(plausibleSpread, rough / 2, 3 * randomU(first.result)) ** 2,
			covariance: 0,
			rateVariance: TREND_SETTINGS[parameter].rateSd ** 2 + (flowPerDay * UNSURE_OF_DOSE) ** 2
		}
	};
}
