import {
	adjointOf,
	carried,
	checkStoichiometry,
	emptyTrack,
	estimateOne,
	filterLevelRate,
	isMeasurement,
	nextTest,
	outsideChance,
	reachesFloor,
	smoothedAt,
	stateAt,
	timelineOf,
	twoPointRate,
	VALUE,
	weightedRate,
	type LevelRate,
	type LevelRateModel,
	type OpenBand,
	type TimelineItem
} from '../../../src/lib/core/trend/index.ts';
import { steadyInputAt, type ConcentrationInput } from '../../../src/lib/core/balance/index.ts';
import { PARAMETERS, type ParameterId } from '../../../src/lib/core/quantity/index.ts';
import type { TestResult } from '../../../src/lib/core/reading/index.ts';
import { addDays, instant } from '../../../src/lib/core/time/index.ts';
import { UnknownKey, refused, values, type Given, type Json, type Operation } from '../shape.ts';

type Item = Readonly<Record<string, Json>>;

const numberIn = (item: Item, key: string, fallback?: number): number => {
	const value = item[key] ?? fallback;
	if (typeof value !== 'number') throw new UnknownKey(`"${key}" is missing or no number`);
	return value;
};

export function measurementOf(item: Item): TimelineItem {
	const day = numberIn(item, 't_day');
	return 'value' in item
		? { kind: 'value', day, value: numberIn(item, 'value'), u: numberIn(item, 'u') }
		: {
				kind: 'interval',
				day,
				lower: numberIn(item, 'lower', -Infinity),
				upper: numberIn(item, 'upper', Infinity),
				u: numberIn(item, 'u_obs')
			};
}

export function eventOf(item: Item): TimelineItem {
	const day = numberIn(item, 't_day');
	switch (item.type) {
		case 'dose':
			return { kind: 'step', day, amount: numberIn(item, 'delta'), u: numberIn(item, 'u_delta', 0) };
		case 'dose_rate':
			return { kind: 'flow', day, perDay: numberIn(item, 'rate') };
		case 'water_change':
			return {
				kind: 'exchange',
				day,
				fraction: numberIn(item, 'fraction'),
				newWater: numberIn(item, 'new_water'),
				uNewWater: numberIn(item, 'u_new_water', 0),
				uFraction: numberIn(item, 'u_fraction', 0)
			};
		default:
			throw new UnknownKey(`"type" is ${JSON.stringify(item.type)}`);
	}
}

export const itemsIn = (given: Given, key: string): readonly Item[] =>
	(given.raw(key) as readonly Item[] | undefined) ?? [];

/** At equal times measurements come first. */
function inOrder(given: Given): TimelineItem[] {
	const all = [
		...itemsIn(given, 'measurements').map(measurementOf),
		...itemsIn(given, 'events').map(eventOf)
	];
	return all.sort((a, b) => a.day - b.day);
}

function priorOf(mean: Json | undefined, covariance: Json | undefined): LevelRate {
	const [level, rate] = mean as [number, number];
	const [levelVariance, cross, rateVariance] = covariance as [number, number, number];
	return { level, rate, levelVariance, covariance: cross, rateVariance };
}

function bandOf(given: Given): OpenBand {
	const [low, high] = given.raw('band') as [number | null, number | null];
	return { low, high };
}

export const filterAndSmooth: Operation = (given) => {
	given.raw('unit');
	const described = given.raw('model') as Item;
	const model: LevelRateModel = {
		startDay: numberIn(described, 't0_day'),
		prior: priorOf(described.m0, described.P0),
		levelPerDay: numberIn(described, 'q_C'),
		ratePerDay: numberIn(described, 'q_r'),
		flowPerDay: numberIn(described, 'dose_rate0')
	};
	const timeline = timelineOf(inOrder(given));
	const track = emptyTrack(timeline.length);
	const logLikelihood = filterLevelRate(timeline, model, track);
	const adjoint = adjointOf(timeline, model, track);
	const measured = [...timeline.kind.keys()].filter((i) => isMeasurement(timeline.kind[i]!));
	const list = (pick: (i: number) => number): number[] => measured.map(pick);
	const smoothed = measured.map((i) => smoothedAt(track, adjoint, i));
	const last = timeline.length - 1;
	const ahead = given
		.numbers('forecast_days_ahead')
		.map((days) => carried(stateAt(track.after, last), model, track.flow[last]!, days));
	const band = bandOf(given);
	const outside = ahead.map((s) => outsideChance(s.level, Math.sqrt(s.levelVariance), band));
	return values({
		predicted_C: list((i) => track.before.level[i]!),
		predicted_var_C: list((i) => track.before.levelVariance[i]!),
		filtered_C: list((i) => track.after.level[i]!),
		filtered_rate: list((i) => track.after.rate[i]!),
		filtered_P_CC: list((i) => track.after.levelVariance[i]!),
		filtered_P_Cr: list((i) => track.after.covariance[i]!),
		filtered_P_rr: list((i) => track.after.rateVariance[i]!),
		smoothed_C: smoothed.map((s) => s.level),
		smoothed_rate: smoothed.map((s) => s.rate),
		smoothed_P_CC: smoothed.map((s) => s.levelVariance),
		smoothed_P_Cr: smoothed.map((s) => s.covariance),
		smoothed_P_rr: smoothed.map((s) => s.rateVariance),
		innovation_z: measured.map((i) =>
			timeline.kind[i] === VALUE ? track.innovation[i]! / Math.sqrt(track.spread[i]!) : null
		),
		log_likelihood: logLikelihood,
		forecast_C: ahead.map((s) => s.level),
		forecast_sd: ahead.map((s) => Math.sqrt(s.levelVariance)),
		p_below: outside.map((p) => p.below),
		p_above: outside.map((p) => p.above)
	});
};

export const intervalUpdate: Operation = (given) => {
	const model = {
		startDay: 0,
		prior: priorOf(given.raw('m'), given.raw('P')),
		levelPerDay: 0,
		ratePerDay: 0,
		flowPerDay: 0
	};
	const [lower, upper] = [given.limit('lower') ?? -Infinity, given.limit('upper') ?? Infinity];
	const timeline = timelineOf([{ kind: 'interval', day: 0, lower, upper, u: given.number('u_obs') }]);
	const track = emptyTrack(1);
	filterLevelRate(timeline, model, track);
	if (track.probability[0] === 0) return refused('the interval is next to impossible');
	const after = stateAt(track.after, 0);
	return values({
		C: after.level,
		rate: after.rate,
		P_CC: after.levelVariance,
		P_Cr: after.covariance,
		P_rr: after.rateVariance,
		p_interval: track.probability[0]!,
		inconsistent: false
	});
};

export const whenNext: Operation = (given) => {
	const next = nextTest(
		priorOf(given.raw('m'), given.raw('P')),
		{ levelPerDay: given.number('q_C'), ratePerDay: given.number('q_r') },
		bandOf(given),
		{
			flowPerDay: given.numberOr('dose_rate', 0),
			alpha: given.number('alpha'),
			mostDays: given.number('max_days'),
			stepDays: given.number('step_days')
		}
	);
	return values({ days: next.days, p_outside: next.outside });
};

export const firstPassage: Operation = (given) =>
	values({
		p: reachesFloor(
			given.number('value'),
			given.number('floor'),
			{
				ratePerDay: given.number('rate_per_day'),
				sigmaPerRootDay: given.number('sigma_per_sqrt_day')
			},
			given.number('days')
		)
	});

export const stoichiometry: Operation = (given) => {
	const check = checkStoichiometry(
		{ perDay: given.number('alk_rate_dKH_per_day'), u: given.number('u_alk_rate') },
		{ perDay: given.number('Ca_rate_mg_per_L_per_day'), u: given.number('u_Ca_rate') },
		given.numberOr('x_MgCO3', 0)
	);
	return values({
		expected_Ca_mg_per_L_per_day: check.expected,
		u_expected: check.uExpected,
		z: check.z,
		class: check.class === 'questionable' ? 'disagree' : check.class
	});
};

export const twoPoint: Operation = (given) => {
	const rate = twoPointRate(
		{ value: given.number('C0'), u: given.number('u0') },
		{ value: given.number('C1'), u: given.number('u1') },
		given.number('days'),
		{ value: given.numberOr('added', 0), u: given.numberOr('u_added', 0) }
	);
	return values({ rate_per_day: rate.perDay, u_rate_per_day: rate.u });
};

export const weightedLine: Operation = (given) => {
	const days = given.numbers('t_day');
	const levels = given.numbers('C');
	const u = given.numbers('u');
	const added = given.numbers('cumulative_added');
	const rate = weightedRate(
		days.map((day, i) => ({ day, value: levels[i]!, u: u[i]!, cumulativeAdded: added[i] ?? 0 }))
	);
	return values({
		rate_per_day: rate.perDay,
		u_rate_per_day: rate.u,
		C_at_t0: rate.atStart,
		chi2: rate.chiSquared
	});
};

/** The parameter that a unit means, where the unit alone is given. */
function parameterOf(unit: Json | undefined): ParameterId {
	switch (unit) {
		case 'dKH':
			return 'alkalinity';
		case 'mg/L Ca':
			return 'calcium';
		case 'mg/L Mg':
			return 'magnesium';
		case 'mg/L K':
			return 'potassium';
		case 'mg/L NO3':
			return 'nitrate';
		case 'mg/L PO4':
			return 'phosphate';
		default:
			throw new UnknownKey(`"unit" is ${JSON.stringify(unit)}`);
	}
}

const ORIGIN = instant(1_700_000_000_000);
const HORIZON_DAYS = 1000;

function resultOf(item: Item, parameter: ParameterId): TestResult {
	const measured = { parameter, unit: PARAMETERS[parameter].canonicalUnit };
	if ('value' in item) {
		return {
			...measured,
			kind: 'value',
			value: numberIn(item, 'value'),
			uRandom: numberIn(item, 'u'),
			uCommon: 0
		};
	}
	if (item.upper === null) {
		return { ...measured, kind: 'bound', sense: '>', limit: numberIn(item, 'lower') };
	}
	const [lower, upper] = [numberIn(item, 'lower'), numberIn(item, 'upper')];
	const uRandom = (upper - lower) / Math.sqrt(12);
	return { ...measured, kind: 'interval', lower, upper, best: null, uRandom, uCommon: 0 };
}

function inputsIn(events: readonly Item[], dosedFromStart: number): ConcentrationInput[] {
	const at = (item: Item) => addDays(ORIGIN, numberIn(item, 't_day'));
	const settings = [
		{ from: addDays(ORIGIN, -1), perDay: dosedFromStart },
		...events.flatMap((e) => (e.type === 'dose_rate' ? [{ from: at(e), perDay: numberIn(e, 'rate') }] : []))
	];
	const end = addDays(ORIGIN, HORIZON_DAYS);
	return [
		...settings.map(({ from, perDay }, i): ConcentrationInput => ({
			kind: 'flow',
			from,
			to: settings[i + 1]?.from ?? end,
			perDay,
			relativeU: 0
		})),
		...events.flatMap((e): ConcentrationInput[] => {
			const item = eventOf(e);
			if (item.kind === 'step') return [{ kind: 'step', at: at(e), amount: item.amount, u: item.u }];
			if (item.kind !== 'exchange') return [];
			const newWater = { value: item.newWater!, u: item.uNewWater };
			return [{ kind: 'exchange', at: at(e), fraction: item.fraction, newWater }];
		})
	].filter((input) => input.kind !== 'flow' || input.perDay !== 0);
}

interface Window {
	readonly unit: Json | undefined;
	readonly measurements: readonly Item[];
	readonly events: readonly Item[];
	readonly dosedFromStart: number;
	readonly from: number;
	readonly to: number;
}

/** Mean consumption over the window with the half-width of its 95 % interval, and the rate at its end. */
function consumptionIn(given: Window) {
	const parameter = parameterOf(given.unit);
	const observations = given.measurements.map((item, i) => ({
		id: String(i),
		at: addDays(ORIGIN, numberIn(item, 't_day')),
		kit: 'the kit',
		result: resultOf(item, parameter)
	}));
	const inputs = inputsIn(given.events, given.dosedFromStart);
	const now = addDays(ORIGIN, given.to);
	const history = { parameter, observations, inputs };
	const estimate = estimateOne(history, now, addDays(ORIGIN, given.from));
	if (!estimate) throw new RangeError('nothing was read');
	const { value, u } = estimate.consumptionPerDay;
	const flow = steadyInputAt(inputs, now);
	return { mean: value, half: 1.96 * u, atEnd: flow - estimate.netChangePerDay.value };
}

const within = (value: number, low: number | null, high: number | null) =>
	(low === null || value >= low) && (high === null || value <= high);

/** Limits to hold: each is given back where it is held, so that the comparison tells which one is not. */
export const meanConsumption: Operation = (given, expect) => {
	given.word('rate_sign', ['positive = falls (consumption)']);
	const [from, to] = given.numbers('window_day');
	const found = consumptionIn({
		unit: given.raw('unit'),
		measurements: itemsIn(given, 'measurements'),
		events: itemsIn(given, 'events'),
		dosedFromStart: given.numberOr('dose_rate0', 0),
		from: from!,
		to: to!
	});
	const limit = (key: string) => (typeof expect[key] === 'number' ? expect[key] : null);
	const kept = (key: string, holds: boolean, instead: number) => [
		key,
		holds ? (expect[key] ?? null) : instead
	];
	const rateTrue = limit('rate_true') ?? found.mean;
	const holdsTruth = Math.abs(found.mean - rateTrue) <= found.half;
	return values(
		Object.fromEntries([
			kept('rate_true', true, 0),
			kept('end_rate_true', true, 0),
			kept('rate_min', within(found.mean, limit('rate_min'), null), found.mean),
			kept('rate_max', within(found.mean, null, limit('rate_max')), found.mean),
			['ci95_must_contain_true', expect.ci95_must_contain_true === true ? holdsTruth : false],
			kept('ci95_halfwidth_max', within(found.half, null, limit('ci95_halfwidth_max')), found.half),
			kept('end_rate_min', within(found.atEnd, limit('end_rate_min'), null), found.atEnd),
			kept('end_rate_max', within(found.atEnd, null, limit('end_rate_max')), found.atEnd)
		])
	);
};

export const coverageOfMany: Operation = (given, expect) => {
	given.word('rate_sign', ['positive = falls (consumption)']);
	const unit = given.raw('unit');
	const covered = itemsIn(given, 'tanks').filter((tank) => {
		const measurements = tank.measurements as readonly Item[];
		const days = measurements.map((m) => numberIn(m, 't_day'));
		const found = consumptionIn({
			unit,
			measurements,
			events: (tank.events as readonly Item[] | undefined) ?? [],
			dosedFromStart: numberIn(tank, 'dose_rate0', 0),
			from: Math.min(...days),
			to: Math.max(...days)
		});
		return Math.abs(found.mean - numberIn(tank, 'rate_true')) <= found.half;
	}).length;
	const [least, most] = [expect.ci95_cover_count_min as number, expect.ci95_cover_count_max as number];
	return values({
		ci95_cover_count_min: covered >= least ? least : covered,
		ci95_cover_count_max: covered <= most ? most : covered
	});
};
