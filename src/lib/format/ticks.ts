import { addDays, civilDate, daysBetween, instantOfLocal, type Instant } from '$lib/core/time';

export interface DayTick {
	readonly at: Instant;
	readonly text: string;
}

/** Days between ticks that a person reads easily, by the length of the span. */
const STEPS = [
	{ upToDays: 16, every: 'day' },
	{ upToDays: 120, every: 'week' },
	{ upToDays: 800, every: 'month' },
	{ upToDays: Infinity, every: 'year' }
] as const;

/**
 * Ticks at local midnights: days, Mondays, firsts of months or of years, whichever gives a readable number.
 */
export function dayTicks(from: Instant, to: Instant, timeZone: string): DayTick[] {
	const span = daysBetween(from, to);
	const { every } = STEPS.find((s) => span <= s.upToDays)!;
	const ticks: DayTick[] = [];
	for (let at = from; at <= to; at = addDays(at, 1)) {
		const date = civilDate(at, timeZone);
		const midnight = instantOfLocal(`${date}T00:00`, timeZone);
		const noon = new Date(`${date}T12:00Z`);
		const fits =
			every === 'day' ||
			(every === 'week' && noon.getUTCDay() === 1) ||
			(every === 'month' && date.endsWith('-01')) ||
			(every === 'year' && date.endsWith('-01-01'));
		if (!fits || midnight < from) continue;
		const options: Intl.DateTimeFormatOptions =
			every === 'year'
				? { year: 'numeric' }
				: every === 'month'
					? { month: 'short', ...(date.endsWith('-01-01') ? { year: '2-digit' } : {}) }
					: { day: 'numeric', month: 'short' };
		ticks.push({ at: midnight, text: noon.toLocaleDateString('en-GB', { ...options, timeZone: 'UTC' }) });
	}
	return ticks;
}
