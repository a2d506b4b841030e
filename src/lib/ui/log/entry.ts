import type { Method } from '$lib/core/method';
import type { RawReading, TestResult } from '$lib/core/reading';
import type { EventDetails, EventKind } from '$lib/core/record';
import type { Instant } from '$lib/core/time';

interface Common {
	readonly at: Instant;
	readonly waterId: string | null;
	readonly water: string;
	readonly by: string;
	readonly note: string;
}
/** What stands in the log: a reading, or something that was done or happened. */
export type Entry =
	| (Common & {
			readonly type: 'reading';
			readonly readingId: string;
			readonly method: Method;
			readonly reading: RawReading;
			readonly results: readonly TestResult[];
			readonly replacedBecause: string | null;
			readonly replaces: string | null;
			readonly deviations: readonly unknown[];
			readonly photographs: readonly string[];
			readonly voiceNotes: number;
	  })
	| (Common & {
			readonly type: 'event';
			readonly id: string;
			readonly kind: EventKind;
			readonly details: EventDetails;
			readonly superseded: boolean;
	  });
