import { effectOf, RAISED, riseIn, type RaisedParameter } from '../dose/supplement.ts';
import { planned, raisedDaily, type Part } from './plan-part.ts';
import type { Goal, PlanGiven } from './plan-types.ts';

/** By how much a day's doses together pass what may rise of a parameter that none of them aims at; 1 where they don't. */
export function excess(
	parts: readonly Part[],
	given: PlanGiven
): { readonly factor: number; readonly of: ReadonlyMap<Goal, RaisedParameter> } {
	let factor = 1;
	const of = new Map<Goal, RaisedParameter>();
	for (const parameter of RAISED) {
		const limit = given.limits[parameter];
		if (limit === null || limit === undefined) continue;
		const bringing = parts.filter(
			(p) =>
				p.goal.parameter !== parameter &&
				riseIn(effectOf(p.goal.supplement, p.amountPerDay, given.water.volumeL.value), parameter) > 0
		);
		if (bringing.length === 0) continue;
		const own = parts.filter((p) => p.goal.parameter === parameter);
		const side = bringing.reduce(
			(sum, p) =>
				sum + riseIn(effectOf(p.goal.supplement, p.amountPerDay, given.water.volumeL.value), parameter),
			0
		);
		const together =
			side +
			own.reduce((sum, p) => sum + p.risePerDay + raisedDaily(p.goal, given), 0) +
			(given.besides[parameter] ?? 0);
		const over = together / planned(limit, given.water, bringing[0]!.goal.supplement);
		if (over > 1 + 1e-6) {
			factor = Math.max(factor, over);
			for (const p of [...bringing, ...own]) of.set(p.goal, parameter);
		}
	}
	return { factor, of };
}
