import {
	MG_PER_CA_AS_MG,
	sampleOf,
	worthAt,
	type ColourMethod,
	type DisplayMethod,
	type Method,
	type Portion,
	type StepStatement,
	type Titration
} from '../method/index.ts';
import { normalDeviate, roundTo, type Random } from '../numeric/index.ts';
import { convert, PARAMETERS } from '../quantity/index.ts';
import { marksAround, type RawReading, type SyringeMarks } from '../reading/index.ts';
import { specificGravity } from '../seawater/density/index.ts';
import type { Levels } from './levels.ts';

/** How a simulated person reads: truths that no estimate may read. */
export interface SimulatedReader {
	/** Standard deviation of seeing the end point, in drops. */
	readonly endPointSdDrops: number;
	/** How much too late the end point is seen on average, in drops; people drift. */
	readonly lateDrops?: number;
	/** Relative error of titrant and sample syringe together, or of the instrument, the same on every day. */
	readonly kitBias: number;
	/** Where an instrument stands within what its accuracy leaves to it, −1 to 1, the same on every day. */
	readonly instrumentBias?: number;
	/** Standard deviation of matching a colour, in steps. */
	readonly colourSdSteps: number;
}

export const CALM_READER: SimulatedReader = { endPointSdDrops: 0.5, kitBias: 0.004, colourSdSteps: 0.15 };

type Known = { readonly value: number; readonly uRandom: number; readonly uCommon: number } | null;

/** Titrant at which the colour turns, in the meter's unit (mL or drops). */
function exactVolume(titration: Titration, truth: number, sampleMl: number, fullMl: number): number {
	const line = worthAt(titration, 0, sampleMl, fullMl);
	if ('sense' in line) throw new RangeError('a table is not simulated');
	return (truth - line.atZero) / line.perUnit;
}

/** The colour turns within a drop; the plunger is set and read to the nearest mark; an empty syringe is filled again. */
function syringeMarks(
	random: Random,
	titration: Titration,
	exactMl: number,
	reader: SimulatedReader
): SyringeMarks {
	if (titration.meter.kind !== 'syringe') throw new TypeError('no syringe');
	const { capacityMl, graduationMl, tipDropMl, readAs } = titration.meter;
	const seenMl = Math.max(
		tipDropMl,
		normalDeviate(
			random,
			exactMl * (1 + reader.kitBias) + (reader.lateDrops ?? 0) * tipDropMl,
			reader.endPointSdDrops * tipDropMl
		)
	);
	// The first drop hangs anywhere between new and full; after that they come whole.
	const phase = random() * tipDropMl;
	const addedMl = Math.ceil((seenMl - phase) / tipDropMl) * tipDropMl + phase;
	const startErrorMl = (random() - 0.5) * graduationMl;

	const fills: SyringeMarks['fills'][number][] = [];
	let restMl = addedMl + startErrorMl;
	while (restMl > capacityMl) {
		const empty = readAs === 'left' ? 0 : capacityMl;
		fills.push({ startMl: capacityMl, end: { lowerMl: empty, upperMl: empty } });
		restMl -= capacityMl;
	}
	const usedMl = Math.max(0, roundTo(restMl, graduationMl));
	const shownMl = readAs === 'left' ? roundTo(capacityMl - usedMl, graduationMl) : usedMl;
	fills.push({ startMl: capacityMl, end: { lowerMl: shownMl, upperMl: shownMl } });
	return { readAs, fills, sure: true };
}

/** The count at which the colour turned: the true end lies within the last drop. */
function dropCount(random: Random, exactDrops: number, reader: SimulatedReader): number {
	const meant = exactDrops * (1 + reader.kitBias) + (reader.lateDrops ?? 0);
	const seen = normalDeviate(random, meant, reader.endPointSdDrops);
	return Math.max(1, Math.ceil(seen));
}

/** Where a colour is seen among the steps: on one, or between two and nearer to one of them. */
function seenStep(random: Random, method: ColourMethod, value: number, sd: number): StepStatement {
	const steps = method.colourSteps.map((s) => s.value);
	const last = steps.length - 1;
	let place = last + 1;
	for (let i = 0; i < last; i++) {
		const [a, b] = [steps[i]!, steps[i + 1]!];
		if (value > b) continue;
		const log = method.spacing === 'log' && a > 0;
		place = i + (log ? Math.log(Math.max(value, a) / a) / Math.log(b / a) : (value - a) / (b - a));
		break;
	}
	if (place > last) place = last + Math.log(value / steps[last]!) / Math.log(steps[last]! / steps[last - 1]!);
	place += normalDeviate(random, 0, sd);
	if (place > last + 0.5) return { kind: 'above' };
	if (place < -0.5 && steps[0]! > 0) return { kind: 'below' };
	const nearest = Math.min(last, Math.max(0, Math.round(place)));
	const off = place - nearest;
	if (Math.abs(off) <= 0.3 || (nearest === last && off > 0) || (nearest === 0 && off < 0)) {
		return { kind: 'on', index: nearest };
	}
	const kind = Math.abs(off) > 0.42 ? 'between' : off > 0 ? 'nearer_lower' : 'nearer_upper';
	return { kind, index: off > 0 ? nearest : nearest - 1 };
}

function shownOn(
	random: Random,
	method: DisplayMethod,
	truth: number,
	reader: SimulatedReader
): number | 'over' {
	const value = convert(truth, PARAMETERS[method.parameter].canonicalUnit, method.unit);
	const half = Math.max(method.accuracy.absolute, method.accuracy.relative * value);
	// Half of the stated accuracy changes from reading to reading; the other half is the instrument's own.
	const own = ((reader.instrumentBias ?? 0) * half) / Math.SQRT2;
	const seen = value * (1 + reader.kitBias) + own + normalDeviate(random, 0, half / Math.sqrt(6));
	if (seen > method.range.high) return 'over';
	return roundTo(Math.max(method.range.low, seen), method.resolution);
}

/** A person with a kit at a water, and the chance of the moment. */
interface Bench {
	readonly random: Random;
	readonly levels: Readonly<Levels>;
	readonly reader: SimulatedReader;
	readonly portion: Portion;
	/** Drops, or millilitres, to where the colour turns in truth. */
	readonly exactOf: (titration: Titration, truth?: number) => number;
}

function readTitration({ random, reader, portion, exactOf }: Bench, titration: Titration): RawReading {
	const exact = exactOf(titration);
	if (titration.meter.kind === 'syringe') {
		return { form: 'syringe', portion, ...syringeMarks(random, titration, exact, reader) };
	}
	const count = dropCount(random, exact, reader);
	return { form: 'drops', portion, least: count, most: count, bad: 0 };
}

function readDifference(
	bench: Bench,
	method: Extract<Method, { kind: 'difference' }>,
	calcium: Known
): RawReading {
	const { random, levels, reader, portion, exactOf } = bench;
	const total = (levels.magnesium ?? 0) + MG_PER_CA_AS_MG * (levels.calcium ?? 0);
	const count = dropCount(random, exactOf(method.titration, total), reader);
	const { value, uRandom, uCommon } = calcium ?? { value: levels.calcium ?? 0, uRandom: 8, uCommon: 4 };
	const subtract = { value, uRandom, uCommon, runId: null };
	return { form: 'difference', portion, least: count, most: count, bad: 0, subtract };
}

function readColour(
	{ random, levels, reader, portion }: Bench,
	method: Extract<Method, { kind: 'colour-card' | 'comparator' }>
): RawReading {
	const { canonicalUnit } = PARAMETERS[method.parameter];
	const value = convert(levels[method.parameter] ?? 0, canonicalUnit, method.unit);
	const top = method.colourSteps.at(-1)!.value;
	const factor = value > 1.2 * top ? method.dilutions.find((d) => value / d <= top) : undefined;
	return {
		form: 'step',
		portion,
		at: seenStep(random, method, value / (factor ?? 1), reader.colourSdSteps),
		between: 'interpolate',
		blank: method.blank,
		...(factor === undefined ? {} : { dilution: { sampleMl: 1, diluentMl: factor - 1, diluentHolds: 0 } })
	};
}

function readLine(
	{ random, levels, reader, portion }: Bench,
	method: Extract<Method, { kind: 'scale-line' | 'float' }>
): RawReading {
	const { waterC, referenceC, graduation } = method.scale;
	const exact = specificGravity((levels.salinity ?? 0) * (1 + reader.kitBias), waterC, referenceC);
	const seen = normalDeviate(random, exact, graduation / 5);
	const [lower, upper] = marksAround(roundTo(seen, graduation / 2), graduation);
	return { form: 'line', portion, lower, upper, temperatureC: method.kind === 'float' ? waterC : null };
}

interface HowRead {
	readonly portion?: Portion | undefined;
	/** Last read, for methods that take it off. */
	readonly calcium?: Known;
}

/**
 * Reads a water of known state as a person would, in whatever form the method is read.
 *
 * @param levels what it holds, canonical units
 */
export function readBy(
	random: Random,
	method: Method,
	levels: Readonly<Levels>,
	{ portion = 'full', calcium = null, ...reader }: SimulatedReader & HowRead
): RawReading {
	const sampleMl = sampleOf(method, portion) ?? 1;
	const fullMl = method.sampleMl?.full ?? 1;
	const exactOf = (t: Titration, truth = levels[t.parameter] ?? 0) => exactVolume(t, truth, sampleMl, fullMl);
	const bench: Bench = { random, levels, reader, portion, exactOf };
	switch (method.kind) {
		case 'syringe-titration':
		case 'drop-titration':
		case 'back-titration':
			return readTitration(bench, method.titration);
		case 'paired-titration': {
			const marks = (t: Titration) => syringeMarks(random, t, exactOf(t), reader);
			return { form: 'pair', portion, first: marks(method.titration), second: marks(method.second) };
		}
		case 'difference':
			return readDifference(bench, method, calcium);
		case 'colour-card':
		case 'comparator':
			return readColour(bench, method);
		case 'display': {
			const shown = shownOn(random, method, levels[method.parameter] ?? 0, reader);
			return { form: 'display', portion, shown, temperatureC: method.withTemperature ? 24 : null };
		}
		case 'scale-line':
		case 'float':
			return readLine(bench, method);
		case 'thermometer': {
			const shown = roundTo(normalDeviate(random, levels.temperature ?? 0, 0.05), method.graduationC);
			return { form: 'line', portion, lower: shown, upper: shown, temperatureC: null };
		}
		case 'stated':
			throw new TypeError('what somebody else found is not read');
	}
}
