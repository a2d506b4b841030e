import type { ParameterId } from '../quantity/index.ts';
import type { TestResult } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';

/** What a test gave, with when its sample was drawn, and what it was read with. */
export interface DatedResult {
	readonly runId: string;
	readonly readingId: string;
	/** When the sample was drawn. */
	readonly at: Instant;
	readonly methodCode: string;
	readonly result: TestResult;
}

/** Those of one parameter, in the order in which they are given. */
export function resultsOf<R extends Pick<DatedResult, 'result'>>(
	results: readonly R[],
	parameter: ParameterId
): R[] {
	return results.filter((r) => r.result.parameter === parameter);
}

/** The last of a parameter whose sample was drawn at a time or later; null where there is none. */
export function lastResultOf<R extends Pick<DatedResult, 'at' | 'result'>>(
	results: readonly R[],
	parameter: ParameterId,
	since: Instant | null = null
): R | null {
	return (
		results.findLast((r) => r.result.parameter === parameter && (since === null || r.at >= since)) ?? null
	);
}
