import type { NamedColour } from './named-colour.ts';

/** What the hands do in a step, and for how long. Seconds are likely times. */
export type StepAction =
	| { readonly kind: 'prepare' | 'fill' | 'blank' | 'read' | 'do'; readonly handsS: number }
	| { readonly kind: 'draw' | 'measure'; readonly ml?: number; readonly handsS: number }
	| { readonly kind: 'drops' | 'scoops'; readonly count: number; readonly handsS: number }
	| { readonly kind: 'invert'; readonly times: number; readonly handsS: number }
	| { readonly kind: 'swirl' | 'shake'; readonly seconds: number }
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
