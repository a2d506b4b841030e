import type { Surroundings } from './vial/light.ts';
import type { Line } from './steps/odd-one.ts';
import type { Misreading, ScaleKind } from './exercise/scales.ts';

/** Slow with the curve beside it teaches; without, it measures; disturbed, it measures harder ones. */
export const END_POINT_MODES = ['slow', 'plain', 'disturbed'] as const;
export type EndPointMode = (typeof END_POINT_MODES)[number];

/** What was shown and what was answered, kept as it was: everything else is derived from it. */
export type Trial =
	| {
			readonly kind: 'end-point';
			readonly methodCode: string;
			readonly titration: 0 | 1;
			readonly mode: EndPointMode;
			/** Titrant, mL: where the first full colour stood, where this person stopped, and the last drop before that. */
			readonly changeMl: number;
			readonly stoppedMl: number;
			readonly lastDropMl: number;
			/** Of the meter, mL. */
			readonly dropMl: number;
			readonly around: Surroundings;
			readonly tookS: number;
	  }
	| {
			readonly kind: 'steps';
			readonly methodCode: string;
			/** The lower step's place, which of the two was shown, and which it was taken for. */
			readonly pair: number;
			readonly shown: 'lower' | 'upper';
			readonly taken: 'lower' | 'upper';
			readonly around: Surroundings;
	  }
	| {
			readonly kind: 'scale';
			readonly scale: ScaleKind;
			readonly graduation: number;
			readonly truth: number;
			readonly answer: number;
			readonly slip: Misreading | null;
	  }
	| { readonly kind: 'scoop'; readonly shown: Scoop; readonly taken: Scoop }
	| { readonly kind: 'count'; readonly disturbed: boolean; readonly drops: number; readonly answer: number }
	| {
			readonly kind: 'time';
			readonly what: 'swirl' | 'wait';
			readonly askedS: number;
			readonly tookS: number;
	  }
	| { readonly kind: 'odd-one'; readonly line: Line; readonly distance: number; readonly right: boolean };

export const SCOOPS = ['short', 'level', 'heaped'] as const;
export type Scoop = (typeof SCOOPS)[number];
export type TrialKind = Trial['kind'];
