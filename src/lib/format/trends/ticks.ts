import { civilDate, daysBetween, instant, instantOnDay, type CivilDate, type Instant } from '$lib/core/time';
import { dayWords, type DayForm } from '../date.ts';

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
type Every = (typeof STEPS)[number]['every'];

const WORDS: Readonly<Record<Every, DayForm>> = {
	day: { day: 'numeric', month: 'short' },
	week: { day: 'numeric', month: 'short' },
	month: { month: 'short' },
	year: { year: 'numeric' }
};

/** The next civil date on which a tick may stand. */
function next(date: Date, every: Every): Date {
	const [y, m, d] = [date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate()];
	switch (every) {
		case 'day':
			return new Date(Date.UTC(y, m, d + 1));
		case 'week':
			// Mondays.
			return new Date(Date.UTC(y, m, d + ((8 - date.getUTCDay()) % 7 || 7)));
		case 'month':
			return new Date(Date.UTC(y, m + 1, 1));
		case 'year':
			return new Date(Date.UTC(y + 1, 0, 1));
	}
}

/**
 * Ticks at local midnights: days, Mondays, firsts of months or of years, whichever gives a readable number.
 */
export function dayTicks(from: Instant, to: Instant, timeZone: string): DayTick[] {
	const { every } = STEPS.find((s) => daysBetween(from, to) <= s.upToDays)!;
	const ticks: DayTick[] = [];
	// From the day before, so that a tick on the first day is not missed.
	let date = new Date(Date.parse(`${civilDate(from, timeZone)}T00:00Z`) - 86_400_000);
	for (date = next(date, every); ; date = next(date, every)) {
		const midnight = instantOnDay(date.toISOString().slice(0, 10) as CivilDate, '00:00', timeZone);
		if (midnight > to) return ticks;
		if (midnight < from) continue;
		const january = every === 'month' && date.getUTCMonth() === 0;
		const options = { ...WORDS[every], ...(january ? { year: '2-digit' as const } : {}) };
		ticks.push({ at: midnight, text: dayWords(instant(date.getTime()), 'UTC', options) });
	}
}
