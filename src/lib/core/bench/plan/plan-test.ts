import { countOf, isFree, SHARED_THINGS, type Method, type ProtocolStep } from '../../method/index.ts';
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

/**
 * True where the step's drops come from a bottle that was mixed in the step before, and settles.
 */
export function isAtOnce(steps: readonly ProtocolStep[], index: number): boolean {
	const [before, step] = [steps[index - 1], steps[index]];
	if (step?.action.kind !== 'drops') return false;
	const kind = before?.action.kind;
	const isMixed = kind === 'shake' || kind === 'swirl' || kind === 'stir' || kind === 'invert';
	return isMixed && before?.reagent !== undefined && before.reagent === step.reagent;
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

/**
 * Shared equipment that a test holds from its first step to its last, by name, one entry for each piece. Sample
 * syringes are rinsed and used within one step, so that nobody waits for them; a titration syringe belongs to its
 * reagent and is held from its filling to the end of the titration.
 */
function sharedEquipment(method: Method): readonly string[] {
	return SHARED_THINGS.flatMap((thing) => Array.from({ length: countOf(method, thing) }, () => thing));
}

const syringeOf = (method: Method, step: ProtocolStep) =>
	`titration syringe of ${method.code}${step.reagent === undefined ? '' : `, ${step.reagent}`}`;

type Wait = ReturnType<typeof waitOf>;

const both = (a: Wait | null, b: Wait): Wait =>
	a ? { leastS: a.leastS + b.leastS, greatestS: a.greatestS + b.greatestS, exact: a.exact || b.exact } : b;

/** Goes through the steps of a test and makes those of its plan. */
class PlanSteps {
	readonly made: PlanStep[] = [];
	readonly #reaction: number;
	readonly #shared: readonly string[];
	readonly #last: number;
	/** The last step of the chain, and the wait since. */
	#before: { readonly id: string; readonly index: number } | null = null;
	#wait: Wait | null = null;
	/** Branches that the next titration waits for. */
	#loaded: ProtocolStep[] = [];

	constructor(
		private readonly id: string,
		private readonly method: Method,
		private readonly steps: readonly ProtocolStep[]
	) {
		this.#reaction = firstReagentIndex(steps);
		this.#shared = sharedEquipment(method);
		this.#last = steps.findLastIndex((s) => s.action.kind !== 'stand');
		steps.forEach((step, index) => {
			if (step.action.kind === 'stand') this.#wait = both(this.#wait, waitOf(step));
			else if (mayBeAhead(step) && index < this.#last) this.#branch(step);
			else this.#chain(step, index);
		});
	}

	/** Loading a titration syringe: nothing waits for it but the titration. */
	#branch(step: ProtocolStep): void {
		this.#make(step, { after: [], takes: [syringeOf(this.method, step)], frees: [] });
		this.#loaded.push(step);
	}

	#chain(step: ProtocolStep, index: number): void {
		const isTitration = step.action.kind === 'titrate';
		const loaded = isTitration ? this.#loaded : [];
		const branches = loaded.map((own) => ({
			lag: { step: stepName(this.id, own.id), leastS: 0, greatestS: null, exact: false },
			syringe: syringeOf(this.method, own)
		}));
		if (isTitration) this.#loaded = [];
		this.#make(step, {
			after: [...this.#lagBefore(index), ...branches.map((b) => b.lag)],
			takes: this.#before === null ? this.#shared : [],
			frees: [...branches.map((b) => b.syringe), ...(index === this.#last ? this.#shared : [])]
		});
		this.#before = { id: stepName(this.id, step.id), index };
		// A filter is filled by hand and then runs by itself.
		this.#wait = step.action.kind === 'filter' ? waitOf(step) : null;
	}

	#lagBefore(index: number): Lag[] {
		const before = this.#before;
		if (!before) return [];
		if (this.#wait) return [{ step: before.id, ...this.#wait }];
		const atOnce = isAtOnce(this.steps, index);
		const greatestS = atOnce ? AT_ONCE_S : before.index >= this.#reaction ? SOON_S : null;
		return [{ step: before.id, leastS: 0, greatestS, exact: false }];
	}

	#make(step: ProtocolStep, rest: Pick<PlanStep, 'after' | 'takes' | 'frees'>): void {
		const handsS = handsSecondsOf(step);
		this.made.push({
			id: stepName(this.id, step.id),
			handsS,
			longestS: LONGEST * handsS,
			pieces: step.action.kind === 'titrate' ? stretchesOf(handsS) : 1,
			...rest
		});
	}
}

/**
 * What the planner needs to know of a test: hands-on steps, with its waits as lags between them. Loading a titration
 * syringe is a branch of its own that only the titration waits for.
 *
 * @param id of the test, unique in the session
 */
export function planTestOf(id: string, method: Method, steps: readonly ProtocolStep[]): PlanTest {
	return { id, steps: new PlanSteps(id, method, steps).made, holds: [] };
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
