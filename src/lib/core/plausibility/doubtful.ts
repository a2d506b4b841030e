import type { ParameterId } from '../quantity/index.ts';
import type { RawReading, TestResult } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';
import type { SlipKind } from './priors.ts';

/** One slip that would explain a reading, and what it would then say. */
export interface SlipExplanation {
	readonly kind: SlipKind;
	readonly reading: RawReading;
	/** Another method, where its table was mixed up with this one's. */
	readonly otherMethod: string | null;
	readonly result: TestResult;
	readonly probability: number;
}

/** A stored reading that does not fit what the water was expected to be. It is set aside until it is settled. */
export interface DoubtfulReading {
	readonly readingId: string;
	readonly runId: string;
	readonly at: Instant;
	readonly parameter: ParameterId;
	readonly result: TestResult;
	/** What it was expected to read, canonical unit, with the standard deviation of (reading − expectation). */
	readonly expected: number;
	readonly sd: number;
	readonly wrong: number;
	readonly changed: number;
	readonly settled: boolean;
	/** Likeliest first; empty where no usual slip explains it. */
	readonly slips: readonly SlipExplanation[];
}
