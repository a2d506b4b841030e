import type { NamedColour } from './named-colour.ts';

export const MIXINGS = ['swirl', 'shake', 'stir'] as const;
/** How a vial or a bottle is mixed. */
export type Mixing = (typeof MIXINGS)[number];

export const PACES = ['at-once', 'slowly'] as const;
/** One after another without a pause, as of a suspension; or slowly. */
export type Pace = (typeof PACES)[number];

export const SPOONS = ['small', 'large'] as const;
/** Which end of a spoon with two. */
export type Spoon = (typeof SPOONS)[number];

/** What the hands do in a step, and for how long. Seconds are likely times. */
export type StepAction =
	| { readonly kind: 'fill' | 'blank' | 'read' | 'do'; readonly handsS: number }
	| {
			readonly kind: 'prepare';
			readonly handsS: number;
			/** What is rinsed, wiped or put together, where it is not the vials: "the filter cup". */
			readonly of?: string;
			/** Rinsed where it is not told. */
			readonly doing?: 'assemble' | 'wipe';
	  }
	| {
			readonly kind: 'draw' | 'measure';
			readonly ml?: number;
			/** Up to a line on the glass, or a mark on a tip, instead of a syringe's scale. */
			readonly by?: 'line' | 'tip';
			readonly pace?: Pace;
			/** With the half sample, where it is another volume, and how that is said. */
			readonly half?: { readonly ml: number; readonly say?: string };
			readonly handsS: number;
	  }
	| {
			readonly kind: 'drops' | 'scoops';
			readonly count: number;
			readonly spoon?: Spoon;
			/** After each one. */
			readonly mixing?: Mixing;
			readonly pace?: Pace;
			/** With the half sample, where it is another count or the other end of the spoon. */
			readonly half?: { readonly count: number; readonly spoon?: Spoon; readonly say?: string };
			readonly handsS: number;
	  }
	| { readonly kind: 'invert'; readonly times: number; readonly handsS: number }
	| {
			/** Of the vial; of a bottle where a reagent is named. */
			readonly kind: Mixing;
			readonly seconds: number;
	  }
	| {
			/**
			 * A wait. Plain, it is a least time, and as long again is still as written; "exactly" ends within 15 s; a range
			 * ends at `upToSeconds`.
			 */
			readonly kind: 'stand';
			readonly seconds: number;
			readonly exactly?: boolean;
			readonly upToSeconds?: number;
	  }
	| { readonly kind: 'filter'; readonly seconds: number; readonly longestSeconds: number }
	| {
			readonly kind: 'titrate';
			readonly handsS: number;
			/** 1 for the second titration in one vial. */
			readonly titration?: 0 | 1;
	  };

export interface ProtocolStep {
	readonly id: string;
	readonly action: StepAction;
	/** One instruction; "{sample}" stands for the sample volume. */
	readonly say: string;
	/** What to watch for, under the instruction. */
	readonly detail: string;
	/** Why it is done so; shown on request. */
	readonly why: string;
	/** It goes into the second vial, where there are two. */
	readonly vial?: 'second';
	/** Label of the reagent that is handled, so that its cautions stand beside the step. */
	readonly reagent?: string;
	/** The colour to expect once the step is done. */
	readonly expect?: NamedColour;
}

export interface ProtocolTimes {
	/** Seconds in which the hands are busy; swirling counts, standing does not. */
	readonly handsS: number;
	readonly totalS: number;
}

/** Seconds that a step itself runs on a timer; null where it ends when the hands are done. */
export function timerSecondsOf({ action }: ProtocolStep): number | null {
	return 'seconds' in action ? action.seconds : null;
}

/** True where a result is read: at a display, a scale, a card, or drop by drop. */
export function isReading({ action }: ProtocolStep): boolean {
	return action.kind === 'titrate' || action.kind === 'read';
}

/** True where the vial in hand is swirled: that needs no cap and no bottle, so it goes on from what was added. */
export function isSwirl({ action, reagent }: ProtocolStep): boolean {
	return action.kind === 'swirl' && reagent === undefined;
}

/** True where the hands are free while the step runs. */
export function isFree({ action }: ProtocolStep): boolean {
	return action.kind === 'stand' || action.kind === 'filter';
}

/** When a timed step still counts as done as written, in seconds after its start. */
export function windowOf(step: ProtocolStep): { readonly from: number; readonly to: number } | null {
	const { action } = step;
	if (!('seconds' in action)) return null;
	if (action.kind === 'stand' && action.exactly) return { from: action.seconds, to: action.seconds + 15 };
	if (action.kind === 'stand' && action.upToSeconds !== undefined) {
		return { from: action.seconds, to: action.upToSeconds + 15 };
	}
	if (action.kind === 'filter') return { from: 0, to: action.longestSeconds };
	return { from: action.seconds, to: 2 * action.seconds + 15 };
}

export function timesOf(steps: readonly ProtocolStep[]): ProtocolTimes {
	let handsS = 0;
	let freeS = 0;
	for (const step of steps) {
		const seconds = timerSecondsOf(step);
		if (isFree(step)) freeS += seconds ?? 0;
		else handsS += seconds ?? ('handsS' in step.action ? step.action.handsS : 0);
	}
	return { handsS, totalS: handsS + freeS };
}
