import { standardUncertaintyOf } from '../uncertainty/index.ts';
import { againstBand, type Band } from './band.ts';
import { gradeOf } from './verdict.ts';

/**
 * Whether a second test of the same sample could change what is said of it: the same mean with the random part √2
 * smaller gets another grade. Where the verdict is firm, or where the kit's common part alone keeps it open, a repeat
 * would only cost reagent.
 *
 * @param uRandom and uCommon standard uncertainties of the single reading
 * @example repeatWouldTell(7.4, 0.25, 0.05, { low: 7.5, high: 9, aim: null }) // false: too near the edge
 */
export function repeatWouldTell(value: number, uRandom: number, uCommon: number, band: Band | null): boolean {
	if (!band || !(uRandom > 0)) return false;
	const gradeWith = (u: number) => gradeOf(againstBand(value, u, band)).grade;
	return (
		gradeWith(standardUncertaintyOf({ uRandom, uCommon })) !==
		gradeWith(Math.hypot(uRandom / Math.SQRT2, uCommon))
	);
}
