import type { NamedColour } from './named-colour.ts';

/** What the hands do in a step, and for how long. Seconds are likely times. */
export type StepAction =
	| { readonly kind: 'prepare'; readonly handsS: number }
	| { readonly kind: 'draw'; readonly handsS: number }
	| { readonly kind: 'drops'; readonly count: number; readonly handsS: number }
	| { readonly kind: 'swirl'; readonly seconds: number }
	| { readonly kind: 'stand'; readonly seconds: number }
	| { readonly kind: 'fill'; readonly handsS: number }
	| { readonly kind: 'titrate'; readonly handsS: number };

export interface ProtocolStep {
	readonly id: string;
	readonly action: StepAction;
	/** One instruction; "{sample}" stands for the sample volume in mL. */
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

export function timesOf(steps: readonly ProtocolStep[]): ProtocolTimes {
	let handsS = 0;
	let standS = 0;
	for (const { action } of steps) {
		if (action.kind === 'stand') standS += action.seconds;
		else handsS += action.kind === 'swirl' ? action.seconds : action.handsS;
	}
	return { handsS, totalS: handsS + standS };
}
