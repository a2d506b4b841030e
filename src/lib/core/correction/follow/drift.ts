import { addDays, type Instant } from '../../time/index.ts';
import type { Estimate } from '../../trend/index.ts';

/** Over so many days a plan looks ahead when it asks how well the drift is known. */
const LOOK_AHEAD_DAYS = 7;

/**
 * The net change a day as things run now, with what the forecast does not know: a use that wanders on makes the drift
 * of the coming days less certain than today's rate.
 */
export function driftOf(estimate: Estimate, now: Instant): { readonly value: number; readonly u: number } {
	const { value, u } = estimate.netChangePerDay;
	const today = estimate.at(now).uRandom;
	const later = estimate.at(addDays(now, LOOK_AHEAD_DAYS)).uRandom;
	const forecast = Math.sqrt(Math.max(0, later * later - today * today)) / LOOK_AHEAD_DAYS;
	return { value, u: Math.max(u, forecast) };
}
