import { addDays, type Instant } from '../time/index.ts';
import type { Estimate } from './estimate.ts';

/**
 * Days until the middle of the estimate leaves the band, on a grid of a quarter day; null when it stays inside
 * for as long as one looks, or is outside already.
 *
 * @param mostDays how far ahead the doses and the line may be trusted
 */
export function daysUntilOutside(
	estimate: Estimate,
	band: { readonly low: number | null; readonly high: number | null },
	now: Instant,
	mostDays = 21
): number | null {
	const outside = (value: number) =>
		(band.low !== null && value < band.low) || (band.high !== null && value > band.high);
	if (outside(estimate.at(now).value)) return null;
	for (let day = 0.25; day <= mostDays; day += 0.25) {
		if (outside(estimate.at(addDays(now, day)).value)) return day;
	}
	return null;
}
