import { formOf, type Circumstances, type Dilution, type RawReading } from '$lib/core/reading';
import type { DifferenceReading, EndPoint, ScaleReading, StepReading, SyringeMarks } from '$lib/core/reading';
import { titrationsOf, type Meter, type Method, type Portion, type StepStatement } from '$lib/core/method';

/** One filling as it stands on the drawn syringe. */
export interface DraftFill {
	readonly startMl: number;
	/** Null until the plunger was set: nothing is assumed. */
	readonly end: ScaleReading | null;
}

/** What is read of one titration so far, by plunger or by drops. */
export interface TitrationDraft {
	readonly readAs: 'left' | 'used';
	/** Ends are in the sense of `readAs`. */
	readonly fills: readonly DraftFill[];
	readonly sure: boolean;
	/** Drops counted; null until one fell or a total was typed: 0 says that the colour had turned before the first. */
	readonly least: number | null;
	/** The other end, where the end point lay somewhere between; null where it did not. */
	readonly most: number | null;
	readonly bad: number;
	/** How often the syringe was filled that the drops come from, where one is. */
	readonly loads?: number;
	/** What was in when it was first called turned, where it is watched again. */
	readonly calledAt?: number | undefined;
	/** What was added after it was first called turned, in what is read; undefined where it was not watched again. */
	readonly addedAfter?: number | undefined;
}

/** A reading in the making, of whatever form. Null is what was not read yet. */
export interface ReadingDraft {
	readonly titrations: readonly TitrationDraft[];
	readonly endPoint: EndPoint;
	readonly between: StepReading['between'];
	readonly at: StepStatement | null;
	readonly second: StepStatement | null;
	readonly shown: number | 'over' | 'under' | null;
	readonly lower: number | null;
	readonly upper: number | null;
	readonly temperatureC: number | null;
	readonly subtract: DifferenceReading['subtract'] | null;
	readonly dilution: Dilution | null;
	readonly circumstances: Circumstances;
}

export interface Habits {
	readonly endPoint: EndPoint;
	readonly between: StepReading['between'];
}

function emptyTitration(meter: Meter): TitrationDraft {
	const syringe = meter.kind === 'syringe';
	return {
		readAs: syringe ? meter.readAs : 'used',
		fills: syringe ? [{ startMl: meter.capacityMl, end: null }] : [],
		sure: true,
		least: null,
		most: null,
		bad: 0
	};
}

export function emptyReading(method: Method, habits: Habits): ReadingDraft {
	return {
		titrations: titrationsOf(method).map((t) => emptyTitration(t.meter)),
		endPoint: habits.endPoint,
		between: habits.between,
		at: null,
		second: null,
		shown: null,
		lower: null,
		upper: null,
		temperatureC: null,
		subtract: null,
		dilution: null,
		circumstances: {}
	};
}

const watchedAgain = ({ addedAfter }: TitrationDraft) => (addedAfter === undefined ? {} : { addedAfter });

/** The marks of a syringe once its last filling was read, and not before. */
export function marksOf(draft: TitrationDraft | undefined): SyringeMarks | null {
	if (!draft) return null;
	const fills = draft.fills.flatMap(({ startMl, end }) => (end ? [{ startMl, end }] : []));
	if (fills.length === 0 || fills.length !== draft.fills.length) return null;
	return { readAs: draft.readAs, fills, sure: draft.sure, ...watchedAgain(draft) };
}

function countOf(draft: TitrationDraft | undefined) {
	if (draft?.least == null) return null;
	const ends = [draft.least, draft.most ?? draft.least];
	const { bad, loads } = draft;
	return {
		least: Math.min(...ends),
		most: Math.max(...ends),
		bad,
		...(loads === undefined ? {} : { loads }),
		...watchedAgain(draft)
	};
}

function titrationOfMarks(marks: SyringeMarks, before: TitrationDraft | undefined): TitrationDraft {
	const { readAs, fills, sure, addedAfter } = marks;
	return { readAs, fills, sure, addedAfter, least: null, most: null, bad: before?.bad ?? 0 };
}

/** A draft that stands where a reading stands, so that it can be gone on with. */
export function draftOf(reading: RawReading, before: ReadingDraft): ReadingDraft {
	const same = { ...before, dilution: reading.dilution ?? null };
	const [first, second] = before.titrations;
	switch (reading.form) {
		case 'syringe':
			return { ...same, titrations: [titrationOfMarks(reading, first)] };
		case 'pair':
			return {
				...same,
				titrations: [titrationOfMarks(reading.first, first), titrationOfMarks(reading.second, second)]
			};
		case 'drops':
		case 'difference': {
			const { least, most, bad, loads } = reading;
			const counted = { least, most: most === least ? null : most, bad, ...(loads ? { loads } : {}) };
			return { ...same, titrations: before.titrations.map((t) => ({ ...t, ...counted })) };
		}
		case 'step':
			return { ...same, at: reading.at, second: reading.second ?? null };
		case 'display':
			return { ...same, shown: reading.shown };
		case 'line':
			return { ...same, lower: reading.lower, upper: reading.upper };
		case 'stated':
			return same;
	}
}

/** A draft whose result was looked at: it is gone on with knowing it, and so it is not blind. */
export function afterSeeing(draft: ReadingDraft): ReadingDraft {
	const { blind: _, ...circumstances } = draft.circumstances;
	const titrations = draft.titrations.map(({ calledAt: _at, addedAfter: _added, ...t }) => t);
	return { ...draft, circumstances, titrations };
}

/** The raw reading of a draft, once all that its form needs was read. */
export function readingOf(method: Method, portion: Portion, draft: ReadingDraft): RawReading | null {
	const common = {
		portion,
		...draft.circumstances,
		...(draft.dilution ? { dilution: draft.dilution } : {})
	};
	const form = formOf(method);
	const [first, second] = draft.titrations;
	const { endPoint } = draft;
	switch (form) {
		case 'syringe': {
			const marks = marksOf(first);
			return marks && { form, ...common, ...marks, endPoint };
		}
		case 'drops': {
			const count = countOf(first);
			return count && { form, ...common, ...count, endPoint };
		}
		case 'pair': {
			const [a, b] = [marksOf(first), marksOf(second)];
			return a && b && { form, ...common, first: a, second: b, endPoint };
		}
		case 'difference': {
			const count = countOf(first);
			return count && draft.subtract && { form, ...common, ...count, endPoint, subtract: draft.subtract };
		}
		case 'step': {
			if (!draft.at) return null;
			const { at, second: other, between } = draft;
			const blank = method.kind === 'comparator' && method.blank;
			return { form, ...common, at, between, blank, ...(other ? { second: other } : {}) };
		}
		case 'display':
			return draft.shown === null
				? null
				: { form, ...common, shown: draft.shown, temperatureC: draft.temperatureC };
		case 'line':
			return draft.lower === null || draft.upper === null
				? null
				: { form, ...common, lower: draft.lower, upper: draft.upper, temperatureC: draft.temperatureC };
		case 'stated':
			return null;
	}
}
