import type { ParameterId } from '../../quantity/index.ts';
import { boundsOf, plausibleRangeOf, pointOf } from '../../reading/index.ts';
import { lastResultOf, type DatedResult, type Water } from '../../record/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import { freeAmmonia, isFresh, type FreeAmmonia } from '../index.ts';

/** Free ammonia is judged from readings not older than this. */
const AMMONIA_DAYS = 3;
const BESIDE_DAYS = 3;
const SALINITY_DAYS = 120;

/** The worst that is plausible of the form of ammonia that harms, from the last days' readings. */
export function freeOf(
	water: Pick<Water, 'profile'>,
	results: readonly DatedResult[],
	now: Instant
): FreeAmmonia | null {
	const lastOf = (parameter: ParameterId, days: number) =>
		lastResultOf(results, parameter, addDays(now, -days))?.result ?? null;
	const total = lastOf('ammonia', AMMONIA_DAYS);
	if (!total) return null;
	const bounds = (result: ReturnType<typeof lastOf>) => (result ? plausibleRangeOf(result) : null);
	const { lower, upper } = boundsOf(total);
	const salt = lastOf('salinity', SALINITY_DAYS);
	// In thinner water more of it is free: of a bound the lower end.
	const read = salt && (pointOf(salt)?.value ?? plausibleRangeOf(salt).lower);
	const salinity = isFresh(water.profile) ? 0 : read;
	return freeAmmonia(
		{ lower, upper },
		bounds(lastOf('ph', BESIDE_DAYS)),
		salinity,
		bounds(lastOf('temperature', BESIDE_DAYS))
	);
}
