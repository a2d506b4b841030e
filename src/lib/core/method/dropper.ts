import type { Method, Titration } from './method.ts';
import { titrationsOf } from './method.ts';

export const DROPPER_STATES = ['even', 'uneven', 'leaky'] as const;
export type DropperState = (typeof DROPPER_STATES)[number];

/**
 * Rectangular half-width of the drops of such a bottle, relative. An even one keeps what its method says; careful
 * hands and holders differ by 3 to 10 %, a bottle that runs or spits by more (husbandry convention).
 */
const LEAST_TOLERANCE: Readonly<Record<DropperState, number>> = { even: 0, uneven: 0.08, leaky: 0.15 };

/** What is known of one bottle's dropper. */
export interface Dropper {
	readonly state: DropperState;
	/** Size of its drops as calibrated, mL, with its standard uncertainty; null where nobody tried. */
	readonly calibrated: { readonly dropMl: number; readonly u: number } | null;
}

/**
 * A titration done from a bottle that is known. A calibrated drop takes the place of the leaflet's, and a factor per
 * drop grows with it; an uneven or leaky dropper widens what its drops leave open, calibrated or not. Tables keep
 * the leaflet's drop.
 */
function fromBottle(titration: Titration, { state, calibrated }: Dropper): Titration {
	const { meter, worth } = titration;
	if (meter.kind !== 'drops') return titration;
	const dropMl = calibrated?.dropMl ?? meter.dropMl;
	const own = calibrated ? (calibrated.u * Math.sqrt(3)) / calibrated.dropMl : meter.relativeTolerance;
	return {
		...titration,
		meter: { ...meter, dropMl, relativeTolerance: Math.max(own, LEAST_TOLERANCE[state]) },
		worth: worth.by === 'line' ? { ...worth, perUnit: (worth.perUnit * dropMl) / meter.dropMl } : worth
	};
}

/** Label of the reagent that is titrated with; null where the steps do not say. */
export function titrantReagentOf(method: Method, which: 0 | 1 = 0): string | null {
	const step = method.steps.find(
		({ action }) => action.kind === 'titrate' && (action.titration ?? 0) === which
	);
	return step?.reagent ?? null;
}

/** The method as it works with bottles that are known. @param droppers by the reagent's label */
export function withDropper<M extends Method>(method: M, droppers: Readonly<Record<string, Dropper>>): M {
	const [first, second] = titrationsOf(method).map((titration, i) => {
		const dropper = droppers[titrantReagentOf(method, i === 0 ? 0 : 1) ?? ''];
		return dropper ? fromBottle(titration, dropper) : titration;
	});
	if (!first) return method;
	return { ...method, titration: first, ...(second ? { second } : {}) };
}
