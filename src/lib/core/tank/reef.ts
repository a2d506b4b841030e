import { afterWaterChange, inputsOf, type WaterEvent } from '../balance/index.ts';
import { ALK_SYRINGE, CA_SYRINGE, type SyringeMethod } from '../method/index.ts';
import { normalDeviate, seededRandom } from '../numeric/index.ts';
import { MOLAR_MASS, MEQ_PER_L_PER_DKH, type ParameterId } from '../quantity/index.ts';
import type { SyringeReading } from '../reading/index.ts';
import { addDays, DAY_MS, type Instant } from '../time/index.ts';
import { readBySyringe, type SyringeReader } from './syringe-reader.ts';

export interface TrueState {
	readonly at: Instant;
	readonly alkalinityDkh: number;
	readonly calciumMgPerL: number;
}

export interface SimulatedReading {
	readonly at: Instant;
	readonly method: SyringeMethod;
	readonly reading: SyringeReading;
	readonly truth: number;
}

/** What happens to the tank from outside, and what lives in it. */
export interface ReefScript {
	readonly seed: number;
	readonly start: TrueState;
	readonly until: Instant;
	readonly volumeL: number;
	readonly events: readonly WaterEvent[];
	/** True uptake of alkalinity by calcification on a day after the start, dKH per day. */
	readonly demandDkhPerDay: (day: number) => number;
	readonly tests: readonly { readonly at: Instant; readonly parameter: ParameterId }[];
	readonly reader: SyringeReader;
}

export interface ReefHistory {
	/** Once an hour. */
	readonly states: readonly TrueState[];
	readonly readings: readonly SimulatedReading[];
}

const HOURS_PER_DAY = 24;
/** Calcium that goes with one dKH into CaCO₃: half a mole per equivalent. */
const CALCIUM_PER_DKH = (MEQ_PER_L_PER_DKH / 2) * MOLAR_MASS.calcium;
/** Corals calcify faster in the light: the uptake swings by this share about its mean. */
const DAILY_SWING = 0.4;
/** Day-to-day wobble of the uptake (feeding, clouds, growth), relative. */
const DAILY_WOBBLE = 0.06;

const METHOD: Readonly<Record<ParameterId, SyringeMethod>> = { alkalinity: ALK_SYRINGE, calcium: CA_SYRINGE };

/**
 * Runs a reef hour by hour: uptake with a daily rhythm and day-to-day wobble, doses, and water changes, in the
 * order of their time; and reads it at the given times with a simulated person's errors. The same seed gives
 * the same history to the last digit.
 */
export function simulateReef(script: ReefScript): ReefHistory {
	const random = seededRandom(script.seed);
	const inputs = {
		alkalinity: inputsOf(script.events, 'alkalinity', script.volumeL, script.until),
		calcium: inputsOf(script.events, 'calcium', script.volumeL, script.until)
	};
	const states: TrueState[] = [script.start];
	const readings: SimulatedReading[] = [];
	const tests = [...script.tests].sort((a, b) => a.at - b.at);
	const level: Record<ParameterId, number> = {
		alkalinity: script.start.alkalinityDkh,
		calcium: script.start.calciumMgPerL
	};
	let nextTest = 0;
	let wobble = 0;

	for (let hour = 0; ; hour++) {
		const from = addDays(script.start.at, hour / HOURS_PER_DAY);
		const to = addDays(script.start.at, (hour + 1) / HOURS_PER_DAY);
		if (to > script.until) break;
		if (hour % HOURS_PER_DAY === 0) wobble = normalDeviate(random, 0, DAILY_WOBBLE);
		const light =
			1 + DAILY_SWING * Math.sin((2 * Math.PI * (hour % HOURS_PER_DAY)) / HOURS_PER_DAY - Math.PI / 2);
		const uptake = (script.demandDkhPerDay(hour / HOURS_PER_DAY) * light * (1 + wobble)) / HOURS_PER_DAY;
		level.alkalinity -= uptake;
		level.calcium -= uptake * CALCIUM_PER_DKH;
		for (const parameter of ['alkalinity', 'calcium'] as const) {
			for (const input of inputs[parameter]) {
				if (input.kind === 'flow') {
					const overlap = Math.max(0, Math.min(to, input.to) - Math.max(from, input.from));
					level[parameter] += (input.perDay * overlap) / DAY_MS;
				} else if (input.at >= from && input.at < to) {
					level[parameter] =
						input.kind === 'step'
							? level[parameter] + input.amount
							: afterWaterChange(level[parameter], input.newWater?.value ?? level[parameter], input.fraction);
				}
			}
		}
		states.push({ at: to, alkalinityDkh: level.alkalinity, calciumMgPerL: level.calcium });
		for (; nextTest < tests.length && tests[nextTest]!.at <= to; nextTest++) {
			const test = tests[nextTest]!;
			const method = METHOD[test.parameter];
			const truth = level[test.parameter];
			readings.push({
				at: test.at,
				method,
				truth,
				reading: readBySyringe(random, method, 'full', truth, script.reader)
			});
		}
	}
	return { states, readings };
}
