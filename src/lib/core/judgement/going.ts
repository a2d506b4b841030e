import { aimOf, type Band } from './band.ts';

/** Where a value is going, seen from where it is wanted. */
export type Going = 'better' | 'worse' | 'not-seen';

/** A change is seen when it is more than twice its standard uncertainty. */
const SEEN = 2;

/**
 * Whether a value gets better or worse: nearer to the band or further from it where it is outside, nearer to the aim
 * (or the middle) or further from it where it is inside.
 *
 * @param perDay net change a day with its standard uncertainty
 */
export function goingOf(
	value: number,
	perDay: { readonly value: number; readonly u: number },
	band: Band
): Going {
	if (Math.abs(perDay.value) <= SEEN * perDay.u) return 'not-seen';
	const rises = perDay.value > 0;
	if (band.low !== null && value < band.low) return rises ? 'better' : 'worse';
	if (band.high !== null && value > band.high) return rises ? 'worse' : 'better';
	const aim = aimOf(band);
	// A band that is open on one side wants the value away from its one limit.
	if (aim === null) return (band.high !== null) === rises ? 'worse' : 'better';
	return value < aim === rises ? 'better' : 'worse';
}
