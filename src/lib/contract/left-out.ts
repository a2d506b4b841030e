import type { ParameterId } from '$lib/core/quantity';
import type { TestResult, Unsound } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';

/** What stands out of all reckoning until somebody puts it right: named on every page that reckons. */
export type LeftOut =
	| {
			readonly kind: 'reading';
			readonly readingId: string;
			readonly runId: string;
			readonly at: Instant;
			readonly result: TestResult;
			readonly why: Unsound;
	  }
	/** All readings of a parameter together gave no line. */
	| { readonly kind: 'line'; readonly parameter: ParameterId };
