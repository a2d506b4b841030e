import { CONVENTIONS } from '../../caution/index.ts';
import { fitLinearModel } from '../../numeric/index.ts';
import type { Known } from '../water-state.ts';

/** Readings further apart than this tell little of what was added between them. */
const MOST_DAYS_BETWEEN = 10;
/** An answer known no better than this tells nothing. */
const MOST_U = 0.3;
const LEAST_PAIRS = 3;

/**
 * What a water answered to the single doses that it was given, as a share of what they should have done by their
 * strength and the net volume: 1 where both are right, about 10 where 5400 L was typed for 540. Its use is fitted
 * beside it, so that it needs no estimate which rests on the same doses.
 *
 * @param doses in days, with the rise that each was believed to bring, canonical unit
 * @param readings in days, in order, with their random standard uncertainty
 * @returns null where too little was dosed to tell
 */
export function answerOfDoses(
	doses: readonly { readonly day: number; readonly rise: number }[],
	readings: readonly { readonly day: number; readonly value: number; readonly u: number }[]
): Known | null {
	const pairs = readings.slice(1).flatMap((after, i) => {
		const before = readings[i]!;
		const days = after.day - before.day;
		if (!(days > 0) || days > MOST_DAYS_BETWEEN) return [];
		const rise = doses
			.filter((d) => d.day >= before.day && d.day < after.day)
			.reduce((sum, d) => sum + d.rise, 0);
		return [{ days, rise, change: after.value - before.value, u: Math.hypot(before.u, after.u) }];
	});
	if (pairs.length < LEAST_PAIRS || !pairs.some((p) => p.rise > 0)) return null;
	const fit = fitLinearModel({
		design: pairs.map((p) => [-p.days, p.rise]),
		observed: pairs.map((p) => p.change),
		sd: pairs.map((p) => Math.max(p.u, 1e-9)),
		priorSd: [Infinity, Infinity]
	});
	// Neighbouring differences share a reading and a use wanders: the fit knows less than it says.
	const scale = Math.max(1, Math.sqrt(fit.chiSquared / Math.max(1, pairs.length - 2)));
	const known = { value: fit.coefficients[1]!, u: scale * Math.sqrt(fit.covariance[1]![1]!) };
	return Number.isFinite(known.value) && known.u <= MOST_U * Math.max(1, Math.abs(known.value))
		? known
		: null;
}

/** Whether an answer is so far from what was expected that the volume or the strength is doubted. */
export function answersOtherwise({ value, u }: Known): 'stronger' | 'weaker' | null {
	const share = CONVENTIONS.answerShare.value;
	if (value - 2 * u > 1 / share) return 'stronger';
	return value + 2 * u < share ? 'weaker' : null;
}
