import type { Method } from '$lib/core/method';
import type {
	Eye,
	LineKnown,
	PairKnown,
	ReaderFinding,
	SaidScore,
	Subject,
	Trial,
	WorthPractising
} from '$lib/core/practice';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';

/** What is used of an eye now, and since when. */
export interface Used {
	readonly finding: ReaderFinding;
	/** Null: of all one's readings. */
	readonly from: Instant | null;
	readonly decidedAt: Instant;
}

/** What is known of one eye. */
export interface EyeSeen {
	readonly subject: Subject;
	/** Of end points: what the titration tells. */
	readonly parameter: ParameterId | null;
	readonly onScreen: Eye;
	/** With what real vials told. */
	readonly atBench: Eye;
	/** The answers, in steps; the newest last. */
	readonly errors: readonly number[];
	/** What the kit or the scale takes for granted, steps. */
	readonly usualU: number;
	/** Blind readings of real vials that it rests on besides. */
	readonly real: number;
	readonly used: Used | null;
	/** The last reading by this kit, as the kit takes it and as this eye would have it; null where there is none. */
	readonly effect: { readonly before: TestResult; readonly after: TestResult } | null;
}

export interface StepsSeen {
	readonly methodCode: string;
	readonly pairs: readonly PairKnown[];
	readonly asked: number;
	readonly used: Used | null;
}

/** How often something went right, of how many times. */
export interface Tally {
	readonly right: number;
	readonly of: number;
}

/** How one member reads, as far as practice tells. */
export interface ReaderSeen {
	readonly memberId: string;
	readonly name: string;
	readonly eyes: readonly EyeSeen[];
	readonly steps: readonly StepsSeen[];
	/** Null until all three lines were asked about. */
	readonly lines: readonly LineKnown[] | null;
	/** Drops, counted right. */
	readonly counting: { readonly plain: Tally; readonly disturbed: Tally };
	readonly timing: { readonly times: number; readonly meanOff: number; readonly spread: number } | null;
	readonly scoops: Tally;
	/** Named misreadings of drawn scales. */
	readonly slips: Readonly<Record<string, number>>;
	readonly next: readonly WorthPractising[];
	/** What was said before it was read, parameter by parameter, canonical units. */
	readonly said: readonly {
		readonly parameter: ParameterId;
		readonly own: SaidScore | null;
		readonly estimate: SaidScore | null;
	}[];
	readonly lastAt: Instant | null;
}

/** A lesson that a mentor set, with what was done of it since. */
export interface LessonSeen {
	readonly id: string;
	readonly by: string;
	readonly at: Instant;
	readonly forName: string;
	readonly forMember: string;
	readonly subject: Subject;
	readonly vials: number;
	readonly done: number;
	readonly note: string;
}

export interface StepNoteSeen {
	readonly methodCode: string;
	readonly stepId: string;
	readonly note: string;
	readonly by: string;
}

export interface PracticeAnswer {
	readonly me: ReaderSeen;
	/** Methods of the site that something can be practised of. */
	readonly methods: readonly Method[];
	/** My trials on colour steps and odd ones, of which the next question follows. */
	readonly asked: readonly Trial[];
	readonly shown: boolean;
	readonly lessons: readonly LessonSeen[];
	readonly stepNotes: readonly StepNoteSeen[];
	/** Those who agreed that others see how they practise. */
	readonly others: readonly ReaderSeen[];
	/** To whom a lesson can be set. */
	readonly members: readonly { readonly id: string; readonly name: string }[];
}

/** Standards at zero, in the middle and high, with what was read of them by one kit. */
export interface KnownSeries {
	readonly method: Method;
	readonly kits: readonly { readonly value: string; readonly name: string }[];
	readonly levels: readonly {
		readonly name: string;
		readonly standard: {
			readonly id: string;
			readonly name: string;
			/** As its label has it. */
			readonly value: string;
			readonly read: readonly {
				readonly readingId: string;
				readonly at: Instant;
				readonly result: TestResult | null;
				readonly photographs: readonly string[];
			}[];
		} | null;
	}[];
}
