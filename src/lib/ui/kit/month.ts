import type { CivilDate } from '$lib/core/time';

const DAY_MS = 86_400_000;
const dateOf = (day: CivilDate) => new Date(`${day}T00:00Z`);
const dayOf = (date: Date) => date.toISOString().slice(0, 10) as CivilDate;

/** So many days or months on; a day that the month does not have becomes its last. */
export function moved(
	day: CivilDate,
	{ days = 0, months = 0 }: { readonly days?: number; readonly months?: number }
): CivilDate {
	const date = dateOf(day);
	const last = new Date(Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + months + 1, 0)).getUTCDate();
	const there = Date.UTC(
		date.getUTCFullYear(),
		date.getUTCMonth() + months,
		Math.min(date.getUTCDate(), last) + days
	);
	return dayOf(new Date(there));
}

/** The whole weeks in which the month of a day lies. */
export function monthOf(day: CivilDate, mondayFirst: boolean): CivilDate[][] {
	const first = dateOf(`${day.slice(0, 7)}-01` as CivilDate);
	const last = dateOf(moved(`${day.slice(0, 7)}-01` as CivilDate, { months: 1, days: -1 }));
	const shift = (first.getUTCDay() + (mondayFirst ? 6 : 0)) % 7;
	const weeks: CivilDate[][] = [];
	for (let at = first.getTime() - shift * DAY_MS; at <= last.getTime(); at += 7 * DAY_MS) {
		weeks.push(Array.from({ length: 7 }, (_, i) => dayOf(new Date(at + i * DAY_MS))));
	}
	return weeks;
}

const NAMES = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** Names of the days of a week, in their order. */
export const weekdays = (mondayFirst: boolean): readonly string[] =>
	mondayFirst ? [...NAMES.slice(1), NAMES[0]!] : NAMES;
