import type { BenchAnswer, BenchKit, BenchStandard } from '$lib/contract/bench';
import type { SaidBeforeRun } from '$lib/contract/practice';
import type { SaveSession, SessionState } from '$lib/contract/session';
import type { Guidance } from '$lib/contract/choices';
import type { SlipAnswer } from '$lib/contract/test-run';
import { stepsTogether, type BenchEntry, type Placed, type UnderWay, type Wish } from '$lib/core/bench';
import { stepsFor, type Method, type Portion } from '$lib/core/method';
import { pointOf, type Deviation, type KnownReader, type TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { ReadingDraft } from './reading-draft';

/**
 * An unfinished test, as it is kept in this browser, with the method as it was when it began. Its ids are made at the
 * start and never change.
 */
export interface BenchDraft {
	readonly waterId: string;
	readonly method: Method;
	readonly portion: Portion;
	readonly runId: string;
	readonly sampleId: string;
	readonly readingId: string;
	readonly drawnAt: Instant;
	readonly startedAt: Instant;
	readonly log: readonly BenchEntry[];
	readonly reading: ReadingDraft;
	/** How a sample that was drawn earlier was kept. */
	readonly keptHow: string;
	/** What the same sample gave before, when this is a repeat. */
	readonly earlier: readonly (readonly TestResult[])[];
	readonly note: string;
	/** What on the shelf it is made with, as it was when the test began. */
	readonly kit?: BenchKit | null;
	/** The standard that is tested instead of the water, to check the kit. */
	readonly standard?: BenchStandard | null;
	/** What is used of whoever reads, as it was when the test began. */
	readonly reader?: KnownReader | null;
	/** What the reader said before they read; nobody else sees it until the reading is kept. */
	readonly said?: SaidBeforeRun | null;
	/** The result was looked at and gone back from: nothing is said before it any more, and nothing read blind. */
	readonly valueSeen?: boolean;
	/** What was answered when a slip was asked about. */
	readonly slip?: SlipAnswer | null;
	/** How its steps are told; that of the session where left out. */
	readonly guidance?: Guidance;
	/** When the reading was taken; from then on it is a result to look at. */
	readonly readAt: Instant | null;
}

/** A test of the session whose reading was kept, or that was given up. */
export interface FinishedTest {
	readonly draft: BenchDraft;
	/** Null where it was given up. */
	readonly results: readonly TestResult[] | null;
	readonly deviations: readonly Deviation[];
	readonly finishedAt: Instant;
}

/** The tests at the bench, one or many, as this browser keeps them. */
export interface BenchSession {
	readonly id: string;
	/** The water of the page where it began. */
	readonly waterId: string;
	readonly revision: number;
	/** One test, started at once: no plan, no summary. */
	readonly alone: boolean;
	/** Null while it is laid out. */
	readonly startedAt: Instant | null;
	readonly tests: readonly BenchDraft[];
	readonly finished: readonly FinishedTest[];
	/** The run whose screen is shown. */
	readonly at: string | null;
	/** The order that was planned, as far as it is known. */
	readonly order: readonly Pick<Placed, 'step'>[];
	readonly wishes: readonly Wish[];
	readonly guidance: Guidance;
	readonly changeoverS: number;
	/** Vials at hand; null where there is one for every test. */
	readonly vials: number | null;
	/** Vials are rinsed and samples drawn for all tests at once, before the first step; where left out, they are not. */
	readonly together?: boolean;
	readonly pausedAt: Instant | null;
	/** When the page was last awake. */
	readonly seenAt: Instant;
}

/** What is known of a water at the bench, kept with the session so that it can be finished without a network. */
export interface KeptWater {
	readonly bench: BenchAnswer;
	readonly timeZone: string;
}

/** The waters that a session is about. */
export function watersIn(session: BenchSession): readonly string[] {
	const drafts = [...session.tests, ...session.finished.map((f) => f.draft)];
	return [...new Set(drafts.map((t) => t.waterId))];
}

/** What is rinsed and drawn for all tests at once, test by test: how many of its first steps are over with that. */
export function togetherOf(session: BenchSession): ReadonlyMap<string, 0 | 1 | 2> {
	const { tests, vials, together } = session;
	// With fewer vials than tests each is rinsed again for the next one.
	if (!together || tests.length < 2 || (vials !== null && vials < tests.length)) return new Map();
	return new Map(
		tests.map((t) => [t.runId, t.standard ? 0 : stepsTogether(t.method, stepsFor(t.method, t.portion))])
	);
}

/** The tests as the planner sees them. */
export function underWay(session: BenchSession): UnderWay[] {
	return session.tests.map(({ runId, method, portion, log, readAt }) => ({
		id: runId,
		method,
		steps: stepsFor(method, portion),
		log,
		over: readAt !== null
	}));
}

/**
 * What a finished test means to the others: the same sample was read before, a difference is reckoned with the calcium
 * that was just found, and the two of them keep one end-point habit.
 */
export function passOn(session: BenchSession, done: FinishedTest): readonly BenchDraft[] {
	const { draft, results } = done;
	return session.tests.map((other): BenchDraft => {
		if (!results || other.waterId !== draft.waterId) return other;
		let next = other;
		if (other.sampleId === draft.sampleId && other.method.parameter === draft.method.parameter) {
			next = { ...next, earlier: [...next.earlier, results] };
		}
		if (other.method.kind === 'difference' && other.method.subtract.parameter === draft.method.parameter) {
			const point = results[0] ? pointOf(results[0]) : null;
			next = {
				...next,
				reading: {
					...next.reading,
					endPoint: draft.reading.endPoint,
					subtract: point
						? {
								value: point.value,
								uRandom: point.uRandom,
								uCommon: point.uCommon,
								endPoint: draft.reading.endPoint,
								runId: draft.runId
							}
						: next.reading.subtract
				}
			};
		}
		return next;
	});
}

/** The session as it is told to the server, to be gone on with elsewhere. */
export function sheetOf(
	session: BenchSession,
	id: string,
	state: SessionState,
	dueAt: Instant | null,
	now: Instant
): SaveSession {
	const rows = [
		...session.tests.map((draft) => ({ draft, over: false })),
		...session.finished.map(({ draft }) => ({ draft, over: true }))
	];
	return {
		id,
		waterId: session.waterId,
		sessionId: session.id,
		revision: session.revision,
		state,
		dueAt,
		startedAt: session.startedAt ?? now,
		tests: rows.map(({ draft, over }) => ({
			runId: draft.runId,
			sampleId: draft.sampleId,
			readingId: draft.readingId,
			waterId: draft.waterId,
			methodCode: draft.method.code,
			methodVersion: draft.method.version,
			portion: draft.portion,
			dilutionParts: draft.reading.dilution
				? (draft.reading.dilution.sampleMl + draft.reading.dilution.diluentMl) /
					draft.reading.dilution.sampleMl
				: null,
			kitId: draft.kit?.id ?? null,
			standardId: draft.standard?.id ?? null,
			drawnAt: draft.drawnAt,
			startedAt: draft.startedAt,
			log: [...draft.log],
			over
		}))
	};
}
