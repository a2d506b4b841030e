import { atLeast } from '../../numeric/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';

/** One filling of the syringe: scale values at the plunger's edge, as volume left in the syringe. */
export interface SyringeFill {
	readonly startMl: number;
	readonly endMl: number;
	/** The tip held air when this filling began, so its volume was filled before anything came out. */
	readonly tipEmpty?: boolean;
}

/** What one filling gave, mL: start − end, less a tip that had to be filled first; never less than nothing. */
export function deliveredByFill(startMl: number, endMl: number, emptyTipMl: number): number {
	return Math.max(0, startMl - endMl - emptyTipMl);
}

/**
 * Volume delivered over all fillings: Σ (start − end). A constant air gap or filled tip cancels; a tip that was
 * empty takes its volume once, and a filling never delivers less than nothing.
 *
 * @param tipDeadMl volume of the tip, mL
 * @returns mL; fails when a filling ends above its start (a refill was forgotten)
 */
export function deliveredMl(fills: readonly SyringeFill[], tipDeadMl = 0): Result<number> {
	if (fills.length === 0) return fail('no-fill', 'fills');
	let total = 0;
	for (const [i, fill] of fills.entries()) {
		if (!atLeast(fill.startMl, fill.endMl)) {
			return fail('start-below-end', `fills.${i}`, { start: fill.startMl, end: fill.endMl });
		}
		total += deliveredByFill(fill.startMl, fill.endMl, fill.tipEmpty ? tipDeadMl : 0);
	}
	return ok(total);
}
