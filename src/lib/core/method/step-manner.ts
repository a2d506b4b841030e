import type { Mixing, Pace, Spoon } from './protocol.ts';
import { N, numberOf, spoonIn } from './step-clauses.ts';
import * as words from './step-words.ts';
import type { Step } from './step-words.ts';

const EACH = String.raw`(?:,?\s*(?:and\s+)?(?:gently\s+)?(swirl|shake|shak|stir|stirr|mix)(?:ing|e)?(?:\s+(?:it|well|gently))*\s+after\s+(?:each|every)(?:\s+(?:one|drop|scoop|spoon))?)`;
const MANNERS = {
	mixing: new RegExp(EACH, 'i'),
	pace: /,?\s*\b(?:(all\s+at\s+once|at\s+once|one\s+(?:straight\s+)?after\s+(?:the\s+)?(?:other|another)|quickly|without\s+(?:a\s+)?pause|in\s+one\s+go)|(slowly))\b/i,
	vial: /,?\s*\b(?:in|into|to)\s+(?:the\s+)?(?:second|other)\s+(?:vial|tube|glass)\b/i
} as const;
const HALF_SAMPLE = String.raw`(?:with\s+|for\s+)?(?:a\s+|the\s+)?half(?:\s+the)?(?:\s+sample)?\s*[:,]?\s*${N}\s*((?:small|large|big)?)\s*(?:level\s+)?(?:ml)?(?:\s*(?:drops?|scoops?|spoons?))?`;
/** "(half sample: 3)" anywhere, "with half the sample 1 small" at the end. */
const HALF = new RegExp(String.raw`\s*\(\s*${HALF_SAMPLE}\s*\)|,?\s*\b${HALF_SAMPLE}\s*$`, 'i');
/** A clause that is a manner and no more. */
export const ALONE = new RegExp(`^${EACH}$`, 'i');

export function mixingOf(word: string): Mixing {
	return /^sha/i.test(word) ? 'shake' : /^sti/i.test(word) ? 'stir' : 'swirl';
}

export interface Manner {
	readonly mixing?: Mixing;
	readonly pace?: Pace;
	readonly vial?: 'second';
	readonly half?: { readonly amount: number; readonly spoon?: Spoon };
}

/** A clause without how it is done, and how. */
export function mannerIn(clause: string): { readonly rest: string; readonly how: Manner } {
	let rest = clause;
	let how: Manner = {};
	const half = HALF.exec(rest);
	if (half) {
		const [amount, end] = half[1] === undefined ? half.slice(3) : half.slice(1);
		const spoon = end ? spoonIn(end) : undefined;
		how = { half: { amount: numberOf(amount!), ...(spoon ? { spoon } : {}) } };
		rest = rest.replace(half[0], '');
	}
	const mixing = MANNERS.mixing.exec(rest);
	if (mixing) {
		how = { ...how, mixing: mixingOf(mixing[1]!) };
		rest = rest.replace(mixing[0], '');
	}
	const pace = MANNERS.pace.exec(rest);
	if (pace) {
		how = { ...how, pace: pace[1] ? 'at-once' : 'slowly' };
		rest = rest.replace(pace[0], '');
	}
	const vial = MANNERS.vial.exec(rest);
	if (vial) {
		how = { ...how, vial: 'second' };
		rest = rest.replace(vial[0], '');
	}
	return { rest: rest.trim(), how };
}

const ADDED: ReadonlySet<Step['action']['kind']> = new Set(['drops', 'scoops', 'measure', 'draw']);
export const isAdded = (step: Step) => ADDED.has(step.action.kind);

/** What is added with the half sample, as a step of that kind says it; null where it cannot be. */
function halfOf({ kind }: Step['action'], { amount, spoon }: NonNullable<Manner['half']>) {
	if (kind === 'measure') return amount > 0 && amount <= 1000 ? { ml: amount } : null;
	if (kind !== 'drops' && kind !== 'scoops') return null;
	const fits = Number.isInteger(amount) && amount >= 1 && amount <= 200;
	return fits ? { count: amount, ...(spoon ? { spoon } : {}) } : null;
}

/** The step with its manner, in the words of both; null where a step of its kind has none. */
export function withManner(made: Step | null, how: Manner): Step | null {
	const { mixing, pace, vial } = how;
	if (!made || Object.keys(how).length === 0) return made;
	const { action } = made;
	const isCounted = action.kind === 'drops' || action.kind === 'scoops';
	if (!(isCounted || action.kind === 'measure' || action.kind === 'draw') || (mixing && !isCounted))
		return null;
	const half = how.half ? halfOf(action, how.half) : undefined;
	if (half === null) return null;
	const handsS = action.handsS + (mixing && isCounted ? action.count * words.HANDS_S.mixOnce : 0);
	const options = {
		...(made.reagent === undefined ? {} : { reagent: made.reagent }),
		...(vial ? { vial } : {})
	};
	const added = {
		...action,
		handsS,
		...(mixing ? { mixing } : {}),
		...(pace ? { pace } : {})
	} as Step['action'];
	if (!half) return words.step(added, options);
	// How the half is said is written down once: whoever carries a test out needs no words of all kinds of steps.
	const { say } = words.step({ ...added, ...half }, options);
	return words.step({ ...added, half: { ...half, say } } as Step['action'], options);
}

const EACH_TEXT: Readonly<Record<Mixing, string>> = { swirl: 'swirling', shake: 'shaking', stir: 'stirring' };

function halfText(action: Step['action']): string {
	if (!('half' in action) || !action.half) return '';
	const { half } = action;
	if ('ml' in half) return ` (half sample: ${half.ml} mL)`;
	return ` (half sample: ${half.count}${half.spoon ? ` ${half.spoon}` : ''})`;
}

/** The manner of a step as it is typed, after what is added. */
export function mannerText(action: Step['action'], vial: Step['vial']): string {
	const mixing = 'mixing' in action && action.mixing ? `, ${EACH_TEXT[action.mixing]} after each` : '';
	const pace =
		'pace' in action && action.pace ? (action.pace === 'slowly' ? ', slowly' : ', all at once') : '';
	return `${mixing}${pace}${vial ? ' into the second vial' : ''}${halfText(action)}`;
}
