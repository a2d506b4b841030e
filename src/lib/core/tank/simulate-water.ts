import { afterWaterChange, inputsOf, type ConcentrationInput, type WaterEvent } from '../balance/index.ts';
import type { Method, Portion } from '../method/index.ts';
import { normalDeviate, seededRandom } from '../numeric/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { derive, pointOf, type RawReading } from '../reading/index.ts';
import { addDays, DAY_MS, type Instant } from '../time/index.ts';
import type { Levels } from './levels.ts';
import { readBy, type SimulatedReader } from './reader.ts';

export interface TrueState {
	readonly at: Instant;
	/** Canonical units. */
	readonly levels: Readonly<Levels>;
	/** What the life in it has used since the start; what it left behind counts as negative. */
	readonly used: Readonly<Levels>;
}

export interface SimulatedReading {
	readonly at: Instant;
	readonly method: Method;
	readonly reading: RawReading;
	/** What the water really held of the method's own parameter, canonical unit. */
	readonly truth: number;
}

/** What the moment is like for what lives in the water. */
export interface Moment {
	/** Days since the start, with the fraction of the day. */
	readonly day: number;
	/** 0 in the dark to 2 at noon, 1 on average. */
	readonly light: number;
	/** Day-to-day wobble of all that lives (feeding, clouds, growth), about 1. */
	readonly wobble: number;
}

/** What happens to a water from outside, and what lives in it. */
export interface WaterScript {
	readonly seed: number;
	readonly start: Omit<TrueState, 'used'>;
	readonly until: Instant;
	readonly volumeL: number;
	readonly events: readonly WaterEvent[];
	/** Net change by what lives in it, canonical unit per day; uptake is negative. */
	readonly living: (moment: Moment, levels: Readonly<Levels>) => Levels;
	/** What is not a balance but a state of the moment, such as temperature. */
	readonly moods?: (moment: Moment, levels: Readonly<Levels>) => Levels;
	readonly tests: readonly { readonly at: Instant; readonly method: Method; readonly portion?: Portion }[];
	readonly reader: SimulatedReader | ((at: Instant, method: Method) => SimulatedReader);
	/** What somebody does as it goes, asked at every midnight of the story. */
	readonly decide?: (moment: Moment, at: Instant, levels: Readonly<Levels>) => readonly WaterEvent[];
}

export interface WaterHistory {
	/** Once an hour. */
	readonly states: readonly TrueState[];
	readonly readings: readonly SimulatedReading[];
}

const HOURS_PER_DAY = 24;
/** Relative standard deviation of a day's life about its mean. */
const DAILY_WOBBLE = 0.06;

function applied(level: number, input: ConcentrationInput, from: Instant, to: Instant): number {
	if (input.kind === 'flow') {
		const overlap = Math.max(0, Math.min(to, input.to) - Math.max(from, input.from));
		return level + (input.perDay * overlap) / DAY_MS;
	}
	if (input.at < from || input.at >= to) return level;
	return input.kind === 'step'
		? level + input.amount
		: afterWaterChange(level, input.newWater?.value ?? level, input.fraction);
}

/**
 * Runs a water hour by hour: what lives in it, doses, water changes, in the order of their time; and reads it at the
 * given times with a simulated person's errors. The same seed gives the same history to the last digit.
 */
export function simulateWater(script: WaterScript): WaterHistory {
	const random = seededRandom(script.seed);
	const tracked = Object.keys(script.start.levels) as ParameterId[];
	let events = script.events;
	const inputsNow = () =>
		Object.fromEntries(tracked.map((p) => [p, inputsOf(events, p, script.volumeL, script.until)]));
	let inputs = inputsNow();
	const used: Levels = Object.fromEntries(tracked.map((p) => [p, 0]));
	const states: TrueState[] = [{ ...script.start, used: { ...used } }];
	const readings: SimulatedReading[] = [];
	const tests = [...script.tests].sort((a, b) => a.at - b.at);
	const levels: Levels = { ...script.start.levels };
	const readerOf =
		typeof script.reader === 'function' ? script.reader : () => script.reader as SimulatedReader;
	let nextTest = 0;
	let wobble = 1;

	for (let hour = 0; ; hour++) {
		const from = addDays(script.start.at, hour / HOURS_PER_DAY);
		const to = addDays(script.start.at, (hour + 1) / HOURS_PER_DAY);
		if (to > script.until) break;
		if (hour % HOURS_PER_DAY === 0) wobble = 1 + normalDeviate(random, 0, DAILY_WOBBLE);
		const phase = (2 * Math.PI * (hour % HOURS_PER_DAY)) / HOURS_PER_DAY - Math.PI / 2;
		const moment: Moment = { day: hour / HOURS_PER_DAY, light: 1 + Math.sin(phase), wobble };
		const decided = hour % HOURS_PER_DAY === 0 ? (script.decide?.(moment, from, levels) ?? []) : [];
		if (decided.length > 0) {
			events = [...events, ...decided];
			inputs = inputsNow();
		}
		const change = script.living(moment, levels);
		for (const parameter of tracked) {
			const before = levels[parameter]!;
			// Nothing can be used up that is not there.
			let level = Math.max(0, before + (change[parameter] ?? 0) / HOURS_PER_DAY);
			used[parameter] += before - level;
			for (const input of inputs[parameter]!) level = applied(level, input, from, to);
			levels[parameter] = Math.max(0, level);
		}
		const now: Levels = { ...levels, ...script.moods?.(moment, levels) };
		states.push({ at: to, levels: now, used: { ...used } });
		for (; nextTest < tests.length && tests[nextTest]!.at <= to; nextTest++) {
			const { at, method, portion } = tests[nextTest]!;
			const reading = readBy(random, method, now, {
				...readerOf(at, method),
				portion,
				calcium: lastOf(readings, 'calcium')
			});
			readings.push({ at, method, reading, truth: now[method.parameter] ?? 0 });
		}
	}
	return { states, readings };
}

/** The last value read of a parameter, as a keeper would carry it over into a difference. */
function lastOf(readings: readonly SimulatedReading[], parameter: ParameterId) {
	const last = readings.findLast((r) => r.method.parameter === parameter);
	if (!last) return null;
	const derived = derive(last.method, last.reading);
	return derived.ok ? pointOf(derived.value.outcomes[0].result) : null;
}
