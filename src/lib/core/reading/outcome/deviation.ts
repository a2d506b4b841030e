import { isFree, stepsFor, type Method, type ProtocolStep } from '../../method/index.ts';

/** What can go wrong in a step and is said by the person at the bench, at once. */
export const MISHAPS = ['spilled', 'lost-count', 'mixed'] as const;
/** `mixed`: stirred or shaken although the step forbids it. */
export type Mishap = (typeof MISHAPS)[number];

/** A step that was not done as written. */
export interface Deviation {
	readonly stepId: string;
	/** Drops or seconds, as written and as done. Of a mishap in a counted step the count so far, else 0. */
	readonly planned: number;
	readonly actual: number;
	readonly what: 'count' | 'seconds' | Mishap;
}

/** What a deviation does to the result. */
export interface DeviationEffect {
	/** Rectangular half-width that it adds, relative to the value. */
	readonly relative: number;
	/** So far from what is written that the number should not be trusted: test again. */
	readonly repeat: boolean;
}

const NONE: DeviationEffect = { relative: 0, repeat: false };

/** A wait that is off by no more than this share is noted and does no more. */
const HARMLESS_SHARE = 0.1;
/** Beyond this a number is not to be trusted. */
const REPEAT_SHARE = 0.5;
const MOST_RELATIVE = 0.5;

/**
 * How strongly a result follows a step, as relative change of the value per relative change of the step. A colour that
 * develops is a reaction that is stopped by reading it; in a titration the same steps only prepare. No kit says these
 * numbers: they are cautious conventions, and say so.
 */
const FOLLOWS = {
	developed: { wait: 0.5, mixing: 0.5, count: 0.5 },
	titrated: { wait: 0.1, mixing: 0.05, count: 0.1 }
} as const;

/** Mixed though it should rest: of a colour that develops, or of a precipitate that forms. */
const MIXED_RELATIVE = 0.1;
/** A lost count is taken for one drop too many or too few. */
const LOST_DROPS = 1;

const develops = (method: Method) =>
	method.kind === 'colour-card' || method.kind === 'comparator' || method.kind === 'display';

function shareOf({ planned, actual }: Deviation): number {
	return planned > 0 ? Math.abs(actual - planned) / planned : actual > 0 ? 1 : 0;
}

/** What one deviation does to a result of this method. */
export function effectOf(method: Method, step: ProtocolStep, deviation: Deviation): DeviationEffect {
	const follows = develops(method) ? FOLLOWS.developed : FOLLOWS.titrated;
	switch (deviation.what) {
		case 'spilled':
			return { relative: 0, repeat: true };
		case 'lost-count': {
			// Of titrant drops the count is the result.
			if (step.action.kind !== 'drops') return { relative: 0, repeat: true };
			return { relative: (follows.count * LOST_DROPS) / Math.max(1, step.action.count), repeat: false };
		}
		case 'mixed':
			return { relative: MIXED_RELATIVE, repeat: false };
		case 'count': {
			const share = shareOf(deviation);
			return {
				relative: Math.min(MOST_RELATIVE, follows.count * share),
				repeat: share > REPEAT_SHARE
			};
		}
		case 'seconds': {
			// A filter has run through when it has; nothing follows from its time.
			if (step.action.kind === 'filter') return NONE;
			const share = shareOf(deviation);
			if (share <= HARMLESS_SHARE) return NONE;
			const per = isFree(step) ? follows.wait : follows.mixing;
			return {
				relative: Math.min(MOST_RELATIVE, per * share),
				repeat: develops(method) && share > REPEAT_SHARE
			};
		}
	}
}

/** All of a run's deviations with what they do. */
export function effectsOf(
	method: Method,
	deviations: readonly Deviation[]
): readonly { readonly deviation: Deviation; readonly effect: DeviationEffect }[] {
	if (deviations.length === 0) return [];
	const steps = new Map(stepsFor(method, 'full').map((s) => [s.id, s]));
	return deviations.flatMap((deviation) => {
		const step = steps.get(deviation.stepId);
		return step ? [{ deviation, effect: effectOf(method, step, deviation) }] : [];
	});
}

/**
 * Standard uncertainty that the deviations of a run add, relative to its value: independent rectangular errors.
 *
 * @see JCGM 100:2008, 4.3.7 (a/√3) and 5.1.2
 */
export function relativeUOf(method: Method, deviations: readonly Deviation[]): number {
	return Math.sqrt(
		effectsOf(method, deviations).reduce((sum, { effect }) => sum + effect.relative ** 2 / 3, 0)
	);
}
