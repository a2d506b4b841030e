import { isFree, type Method, type ProtocolStep } from '../../method/index.ts';
import type { Lag, PlanStep, PlanTest } from './problem.ts';

/** Steps without a wait follow within this once a reaction runs. */
const SOON_S = 60;
/** A suspension that was shaken up settles again: its drops follow at once. */
const AT_ONCE_S = 10;
/** "Exactly": the next step starts no later than this after the time. */
const EXACT_WINDOW_S = 15;
/** What the hands take at the longest, against what they are likely to take. */
const LONGEST = 1.5;
/** Pouring into the filter; then it runs by itself. */
const POUR_S = 15;
/** A titration may be put down between drops; the planner looks at stretches of about this many seconds. */
const STRETCH_S = 60;

/** In how many stretches a titration of so many seconds is looked at. */
export const stretchesOf = (handsS: number) => Math.max(1, Math.round(handsS / STRETCH_S));

/** True where the step's drops come from a bottle that was shaken up in the step before, and settles. */
export function isAtOnce(steps: readonly ProtocolStep[], index: number): boolean {
	const [before, step] = [steps[index - 1], steps[index]];
	return (
		before?.action.kind === 'shake' &&
		step?.action.kind === 'drops' &&
		before.reagent !== undefined &&
		before.reagent === step.reagent
	);
}

/** Index of the first step that puts a reagent into the sample; from then on the reaction runs. */
function firstReagentIndex(steps: readonly ProtocolStep[]): number {
	const index = steps.findIndex(
		(s) =>
			s.reagent !== undefined &&
			(s.action.kind === 'drops' ||
				s.action.kind === 'scoops' ||
				s.action.kind === 'measure' ||
				s.action.kind === 'titrate' ||
				s.action.kind === 'do')
	);
	return index < 0 ? steps.length : index;
}

/**
 * True for a step that may be done long before its turn: a titration syringe is loaded while something else stands.
 */
export function mayBeAhead(step: ProtocolStep): boolean {
	return step.action.kind === 'fill';
}

/** Seconds that the hands are likely busy with a step; 0 where they are free. */
export function handsSecondsOf(step: ProtocolStep): number {
	if (step.action.kind === 'filter') return POUR_S;
	if (isFree(step)) return 0;
	return 'seconds' in step.action ? step.action.seconds : step.action.handsS;
}

/** The least and greatest time that a wait asks for, from its beginning to the next step; greatest null where open. */
export function waitOf({ action }: ProtocolStep): {
	readonly leastS: number;
	readonly greatestS: number;
	readonly exact: boolean;
} {
	if (action.kind === 'filter') {
		return { leastS: action.seconds, greatestS: action.seconds + action.longestSeconds, exact: false };
	}
	if (action.kind !== 'stand') return { leastS: 0, greatestS: Infinity, exact: false };
	if (action.exactly) {
		return { leastS: action.seconds, greatestS: action.seconds + EXACT_WINDOW_S, exact: true };
	}
	return { leastS: action.seconds, greatestS: action.upToSeconds ?? 2 * action.seconds, exact: false };
}

/** The steps of a session are named by test and step. */
export const stepName = (test: string, step: string) => `${test}/${step}`;

/** Things that several tests share, as they are named in a method's equipment. */
const SHARED: readonly { readonly name: string; readonly words: RegExp; readonly each: boolean }[] = [
	{ name: 'vial', words: /\bvial\b/i, each: true },
	{ name: 'photometer', words: /\bphotometer\b/i, each: false },
	{ name: 'comparator', words: /\bcomparator\b/i, each: false },
	{ name: 'refractometer', words: /\brefractometer\b/i, each: false },
	{ name: 'filter cup', words: /\bfilter cup\b/i, each: false },
	{ name: 'stirrer', words: /\bstirrer\b/i, each: false }
];

/**
 * Shared equipment that a test holds from its first step to its last, by name, one entry for each piece. Sample
 * syringes are rinsed and used within one step, so that nobody waits for them; a titration syringe belongs to its
 * reagent and is held from its filling to the end of the titration.
 */
function sharedEquipment(method: Method): readonly string[] {
	return SHARED.flatMap(({ name, words, each }) => {
		const count = method.equipment.filter((e) => words.test(e)).length;
		return Array.from({ length: each ? count : Math.min(1, count) }, () => name);
	});
}

const syringeOf = (method: Method, step: ProtocolStep) =>
	`titration syringe of ${method.code}${step.reagent === undefined ? '' : `, ${step.reagent}`}`;

/**
 * What the planner needs to know of a test: hands-on steps, with its waits as lags between them. Loading a titration
 * syringe is a branch of its own that only the titration waits for.
 *
 * @param id of the test, unique in the session
 */
export function planTestOf(id: string, method: Method, steps: readonly ProtocolStep[]): PlanTest {
	const reaction = firstReagentIndex(steps);
	const shared = sharedEquipment(method);
	const plan: PlanStep[] = [];
	/** The last step of the chain, and the wait since. */
	let before: { readonly id: string; readonly index: number } | null = null;
	/** Branches that the next titration waits for. */
	let loaded: string[] = [];
	let wait: ReturnType<typeof waitOf> | null = null;
	const last = steps.findLastIndex((s) => s.action.kind !== 'stand');
	steps.forEach((step, index) => {
		if (step.action.kind === 'stand') {
			const own = waitOf(step);
			wait = wait
				? {
						leastS: wait.leastS + own.leastS,
						greatestS: wait.greatestS + own.greatestS,
						exact: wait.exact || own.exact
					}
				: own;
			return;
		}
		const hands = handsSecondsOf(step);
		const name = stepName(id, step.id);
		const ahead = mayBeAhead(step) && index < last;
		const after: Lag[] = [];
		if (!ahead && before) {
			if (wait)
				after.push({ step: before.id, leastS: wait.leastS, greatestS: wait.greatestS, exact: wait.exact });
			else {
				const greatestS = isAtOnce(steps, index) ? AT_ONCE_S : before.index >= reaction ? SOON_S : null;
				after.push({ step: before.id, leastS: 0, greatestS, exact: false });
			}
		}
		const takes: string[] = [];
		const frees: string[] = [];
		if (ahead) takes.push(syringeOf(method, step));
		if (step.action.kind === 'titrate') {
			for (const branch of loaded) {
				after.push({ step: branch, leastS: 0, greatestS: null, exact: false });
				const own = steps.find((s) => stepName(id, s.id) === branch)!;
				frees.push(syringeOf(method, own));
			}
			loaded = [];
		}
		if (!ahead && before === null) takes.push(...shared);
		if (index === last) frees.push(...shared);
		plan.push({
			id: name,
			handsS: hands,
			longestS: LONGEST * hands,
			pieces: step.action.kind === 'titrate' ? stretchesOf(hands) : 1,
			after,
			takes,
			frees
		});
		if (ahead) loaded.push(name);
		else {
			before = { id: name, index };
			// A filter is filled by hand and then runs by itself.
			wait = step.action.kind === 'filter' ? waitOf(step) : null;
		}
	});
	return { id, steps: plan, holds: [] };
}

/** How many there are of what is shared, where nothing else is known: kits bring their vials, instruments stand alone. */
export function usualEquipment(
	tests: readonly PlanTest[],
	known: Readonly<Record<string, number>> = {}
): Record<string, number> {
	const counts: Record<string, number> = {};
	for (const test of tests) {
		for (const name of [...test.holds, ...test.steps.flatMap((s) => s.takes)]) {
			if (name !== 'vial') counts[name] = known[name] ?? 1;
		}
	}
	// A session must be possible at all: a test that needs two vials needs two.
	const mostVials = Math.max(
		0,
		...tests.map((t) => t.steps.flatMap((s) => s.takes).filter((n) => n === 'vial').length)
	);
	if (known.vial !== undefined) counts.vial = Math.max(known.vial, mostVials);
	return counts;
}
