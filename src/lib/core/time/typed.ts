import type { CivilDate } from './zone.ts';

/** What comes first in a date of figures alone; one that begins with four figures is year, month, day to everybody. */
export type DateOrder = 'day' | 'month' | 'year';

/** No date that a person types is longer. */
const MOST_LETTERS = 60;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/;
const PLACES = { day: [2, 1, 0], month: [2, 0, 1], year: [0, 1, 2] } as const;

/** That day of the calendar, if there is one. */
function dayOf(year: number, month: number, day: number): CivilDate | null {
	const full = year < 100 ? 2000 + year : year;
	const at = new Date(Date.UTC(full, month - 1, day));
	const exists = full >= 1000 && full <= 9999 && at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
	return exists ? (at.toISOString().slice(0, 10) as CivilDate) : null;
}

/** "23 nov 2026", "nov 23", "23 november 26" */
function dayByName(text: string, thisYear: number | null): CivilDate | null {
	const words = text.split(/[\s,./-]+/).filter(Boolean);
	const at = words.findIndex((word) => /^[a-z]/.test(word));
	const month = MONTHS.findIndex((m) => words[at]?.startsWith(m)) + 1;
	const figures = words.filter((_, i) => i !== at);
	if (month === 0 || figures.length > 2 || !figures.every((f) => /^(\d{1,2}(st|nd|rd|th)?|\d{4})$/.test(f))) {
		return null;
	}
	const numbers = figures.map((f) => Number.parseInt(f, 10));
	const year = numbers.find((_, i) => figures[i]!.length === 4) ?? numbers[1] ?? thisYear;
	const day = numbers.find((_, i) => figures[i]!.length < 4);
	return day === undefined || year === null ? null : dayOf(year, month, day);
}

/**
 * A day as a person types it: "23/11/2026" in the order that they have, "2026-11-23" in anybody's, "23 Nov", "today".
 *
 * @param today names the year where none is typed; null where nobody knows: then a year is asked for
 * @returns null for what is no day of the calendar
 * @example typedDay('11/12/26', 'month', today) // '2026-11-12'
 */
export function typedDay(text: string, order: DateOrder, today: CivilDate | null): CivilDate | null {
	const plain = text.trim().toLowerCase().replace(WEEKDAY, '');
	if (plain.length > MOST_LETTERS) return null;
	if (plain === 'today') return today;
	if (plain === 'yesterday' && today) {
		return new Date(Date.parse(today) - 86_400_000).toISOString().slice(0, 10) as CivilDate;
	}
	const thisYear = today && Number(today.slice(0, 4));
	const figures = /^(\d{1,4})([./ -])(\d{1,2})\2(\d{1,4})\.?$/.exec(plain);
	if (!figures) return /[a-z]/.test(plain) ? dayByName(plain, thisYear) : null;
	const typed = [figures[1]!, figures[3]!, figures[4]!];
	const places = PLACES[typed[0]!.length === 4 ? 'year' : order];
	const [year, month, day] = places.map((place) => typed[place]!);
	if (![2, 4].includes(year!.length) || day!.length > 2 || month!.length > 2) return null;
	return dayOf(Number(year), Number(month), Number(day));
}

/**
 * A time of the day as a person types it: "19:30", "19.30", "7:30 pm", "7pm".
 *
 * @returns 'HH:MM'; null for what no clock shows
 */
export function typedTime(text: string): string | null {
	const parts = /^(\d{1,2})(?:[:.](\d{2}))?(?::\d{2})?\s*(am|pm|a\.m\.|p\.m\.)?$/.exec(
		text.trim().toLowerCase()
	);
	if (!parts) return null;
	const [, hour = '', minute, half] = parts;
	if (minute === undefined && half === undefined) return null;
	const typed = Number(hour);
	if (half !== undefined && (typed < 1 || typed > 12)) return null;
	const hours = half === undefined ? typed : (typed % 12) + (half.startsWith('p') ? 12 : 0);
	const minutes = Number(minute ?? '0');
	if (hours > 23 || minutes > 59) return null;
	return `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`;
}

/**
 * A day and a time as a person types them, in one field.
 *
 * @returns 'YYYY-MM-DDTHH:MM', as `instantOfLocal` takes it; null where either is missing or none
 * @example typedMoment('23.11.2026 19:30', 'day', today) // '2026-11-23T19:30'
 */
export function typedMoment(text: string, order: DateOrder, today: CivilDate | null): string | null {
	const plain = text.trim();
	if (plain.length > MOST_LETTERS) return null;
	const parts =
		/^(.*?\S)(?:\s*,\s*|\s+|(?<=\d)[Tt](?=\d))(\d{1,2}(?:[:.]\d{2}){1,2}\s*(?:[ap]\.?m\.?)?|\d{1,2}\s*[ap]\.?m\.?)$/i.exec(
			plain
		);
	const day = parts && typedDay(parts[1]!, order, today);
	const time = parts && typedTime(parts[2]!);
	return day && time ? `${day}T${time}` : null;
}

/** Minutes after midnight of a time as `typedTime` gives it: "19:30" is 1170. */
export function minuteOfTime(time: string): number {
	const [hours = 0, minutes = 0] = time.split(':').map(Number);
	return hours * 60 + minutes;
}

/** The time of a minute after midnight: 1170 is "19:30". */
export function timeOfMinute(minute: number): string {
	const two = (n: number) => String(n).padStart(2, '0');
	return `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
}
