import type { SheetTest } from '$lib/contract/session';
import type { BenchAnswer, BenchKit, BenchStandard } from '$lib/contract/bench';
import type { BenchEntry } from '$lib/core/bench';
import { sampleOf, type Method, type Portion } from '$lib/core/method';
import { knownReader, type ReaderDecision } from '$lib/core/practice';
import type { Dilution, TestResult } from '$lib/core/reading';
import { addSeconds, instant, type Instant } from '$lib/core/time';
import type { BenchDraft } from '$lib/ui/shared/bench-session';
import { emptyReading, type Habits } from '$lib/ui/shared/reading-draft';

/** How a test begins. */
export interface StartChoice {
	readonly portion: Portion;
	readonly dilution: Dilution | null;
	/** Hours since the sample was drawn; 0 is now. */
	readonly ageH: number;
	readonly keptHow: string;
	readonly kit: BenchKit | null;
	readonly standard: BenchStandard | null;
}

/** The sample of an earlier test, to be tested once more. */
export interface SameSample {
	readonly sampleId: string;
	readonly drawnAt: Instant;
	readonly earlier: readonly (readonly TestResult[])[];
}

interface Making {
	readonly habits: Habits;
	readonly newId: () => string;
	readonly now: Instant;
	/** What is used of whoever reads. */
	readonly decisions?: readonly ReaderDecision[] | undefined;
}

export function makeDraft(
	waterId: string,
	method: Method,
	choice: StartChoice,
	same: SameSample | null,
	{ habits, newId, now, decisions = [] }: Making
): BenchDraft {
	const drawnAt = same?.drawnAt ?? addSeconds(now, -3600 * choice.ageH);
	return {
		waterId,
		method,
		portion: choice.portion,
		runId: newId(),
		sampleId: same?.sampleId ?? newId(),
		readingId: newId(),
		drawnAt,
		startedAt: now,
		log: [],
		reading: { ...emptyReading(method, habits), dilution: choice.dilution },
		keptHow: choice.keptHow,
		earlier: same?.earlier ?? [],
		note: '',
		kit: choice.kit,
		standard: choice.standard,
		reader: knownReader(method, decisions, drawnAt) ?? null,
		readAt: null
	};
}

/** One part of sample in so many parts in all; the diluent holds none of it. */
export function thinned(method: Method, portion: Portion, parts: number): Dilution | null {
	const sampleMl = sampleOf(method, portion) ?? 1;
	return parts > 1
		? {
				sampleMl: Number((sampleMl / parts).toPrecision(6)),
				diluentMl: Number((sampleMl - sampleMl / parts).toPrecision(6)),
				diluentHolds: 0
			}
		: null;
}

/** The kit that a test is usually made with: the one opened last. */
export function usualKit(bench: Pick<BenchAnswer, 'kits'>, method: Method): BenchKit | null {
	return bench.kits.find((k) => k.methodCode === method.code) ?? null;
}

export function choiceOf(draft: BenchDraft): StartChoice {
	return {
		portion: draft.portion,
		dilution: draft.reading.dilution,
		ageH: 0,
		keptHow: draft.keptHow,
		kit: draft.kit ?? null,
		standard: draft.standard ?? null
	};
}

/**
 * A test of a session that was planned or begun elsewhere.
 *
 * @returns null where its method or water is not known here
 */
export function draftOfSheet(
	row: SheetTest,
	bench: BenchAnswer | undefined,
	habits: Habits
): BenchDraft | null {
	const method = bench?.offers.find(
		({ method: m }) => m.code === row.methodCode && m.version === row.methodVersion
	)?.method;
	if (!bench || !method) return null;
	return {
		waterId: row.waterId,
		method,
		portion: row.portion,
		runId: row.runId,
		sampleId: row.sampleId,
		readingId: row.readingId,
		drawnAt: instant(row.drawnAt),
		startedAt: instant(row.startedAt),
		log: row.log as unknown as readonly BenchEntry[],
		reading: {
			...emptyReading(method, habits),
			dilution: row.dilutionParts === null ? null : thinned(method, row.portion, row.dilutionParts)
		},
		keptHow: '',
		earlier: [],
		note: '',
		kit: bench.kits.find((k) => k.id === row.kitId) ?? null,
		standard: bench.standards.find((s) => s.id === row.standardId) ?? null,
		reader: knownReader(method, bench.readerDecisions ?? [], instant(row.startedAt)) ?? null,
		readAt: null
	};
}
