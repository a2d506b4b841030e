import { CONVENTIONS } from '../caution/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { BandProbabilities } from './band.ts';
import { isOutside, type Verdict } from './verdict.ts';

export type Urgency = 'none' | 'watch' | 'act';

/** Chance of being outside from which one acts, and from which one watches (husbandry convention). */
const ACT = CONVENTIONS.actChance.value;
const WATCH = CONVENTIONS.watchChance.value;

/** What harms animals within hours or days is acted on while it is only possible. */
const EARLY: ReadonlySet<ParameterId> = new Set<ParameterId>(['ammonia', 'ph', 'salinity', 'temperature']);

/** A parameter whose threshold to act is lower; nitrite only in fresh water, where chloride does not keep it out. */
export function isActedOnEarly(parameter: ParameterId, fresh: boolean): boolean {
	return EARLY.has(parameter) || (parameter === 'nitrite' && fresh);
}

/**
 * What the chance of being outside asks for: act from 0.95 on, watch from 0.3 on; for ammonia, nitrite in fresh water,
 * pH, salinity and temperature act from 0.3 on.
 */
export function urgencyOf(
	parameter: ParameterId,
	fresh: boolean,
	{ pBelow, pAbove }: Pick<BandProbabilities, 'pBelow' | 'pAbove'>
): Urgency {
	const outside = pBelow + pAbove;
	if (outside >= (isActedOnEarly(parameter, fresh) ? WATCH : ACT)) return 'act';
	return outside >= WATCH ? 'watch' : 'none';
}

/**
 * What harms animals within days is taken for outside while that is only possible; what an instrument can never tell is
 * no alarm for ever.
 */
export function isTakenForOutside(
	verdict: Verdict | null,
	{
		early,
		urgency,
		hasAnimals
	}: { readonly early: boolean; readonly urgency: Urgency; readonly hasAnimals: boolean }
): boolean {
	const possible = verdict?.grade === 'cannot-tell' && verdict.probabilities?.resolves === true;
	return early && urgency === 'act' && hasAnimals && (possible || isOutside(verdict?.grade));
}
