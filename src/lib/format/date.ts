import { civilDate, daysBetween, offsetMinutes, type CivilDate, type Instant } from '$lib/core/time';
import { reader } from './reader.ts';

/** Parts of a day that are named, as the platform calls them. */
export interface DayForm {
	readonly weekday?: 'short' | 'long';
	readonly day?: 'numeric';
	readonly month?: 'short' | 'long';
	readonly year?: 'numeric' | '2-digit';
}

// British English of its own: the platform's first formatter takes a browser longer than all of a page besides.
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;
const MONTHS = [
	'January',
	'February',
	'March',
	'April',
	'May',
	'June',
	'July',
	'August',
	'September',
	'October',
	'November',
	'December'
] as const;
const shortMonth = (name: string) => name.slice(0, name === 'September' ? 4 : 3);

/** The words of a day of the calendar; their order is the reader's. */
function partsOf(civil: CivilDate, { weekday, day, month, year }: DayForm) {
	const date = new Date(Date.parse(civil));
	const dayName = WEEKDAYS[date.getUTCDay()]!;
	const monthName = MONTHS[date.getUTCMonth()]!;
	const yearText = String(date.getUTCFullYear());
	return {
		weekday: weekday && (weekday === 'long' ? dayName : dayName.slice(0, 3)),
		day: day && String(date.getUTCDate()),
		month: month && (month === 'long' ? monthName : shortMonth(monthName)),
		year: year && (year === '2-digit' ? yearText.slice(-2) : yearText)
	};
}

const ORDER = {
	day: ['day', 'month', 'year'],
	month: ['month', 'day', 'year'],
	year: ['year', 'month', 'day']
} as const;

/** Day, month and year as far as they are asked for, in the reader's order: "23 Nov", "Nov 23". */
export function dayWords(at: Instant, timeZone: string, form: DayForm): string {
	const words = partsOf(civilDate(at, timeZone), form);
	return [words.weekday, ...ORDER[reader().dates].map((part) => words[part])].filter(Boolean).join(' ');
}

/** "Monday 23 November" */
export function longDay(at: Instant, timeZone: string): string {
	return dayWords(at, timeZone, { weekday: 'long', day: 'numeric', month: 'long' });
}

/** "Mon 23 Nov", with the year where it is not this one. */
export function shortDay(at: Instant, timeZone: string, now: Instant): string {
	const sameYear = civilDate(at, timeZone).slice(0, 4) === civilDate(now, timeZone).slice(0, 4);
	return dayWords(at, timeZone, {
		weekday: 'short',
		day: 'numeric',
		month: 'short',
		...(sameYear ? {} : { year: 'numeric' })
	});
}

/** Hours and minutes of a clock on the wall, "19:30" whoever reads it. */
function wallTime(at: Instant, timeZone: string): string {
	return new Date(at + offsetMinutes(at, timeZone) * 60_000).toISOString().slice(11, 16);
}

/** "19:30"; "7:30 pm" to those who have twelve hours. */
export function clockTime(at: Instant, timeZone: string): string {
	return timeAsTyped(wallTime(at, timeZone));
}

/** "7:30 pm" for "19:30" */
function inTwelve(wall: string): string {
	const hour = Number(wall.slice(0, 2));
	return `${hour % 12 || 12}${wall.slice(2)} ${hour < 12 ? 'am' : 'pm'}`;
}

/** "today", "yesterday", "4 days ago": by the calendar, not by 24 hours. */
export function ago(at: Instant, timeZone: string, now: Instant): string {
	const day = (t: Instant) => Date.parse(civilDate(t, timeZone)) as Instant;
	const days = Math.round(daysBetween(day(at), day(now)));
	if (days <= 0) return 'today';
	return days === 1 ? 'yesterday' : `${days} days ago`;
}

/** "2:05", minutes and seconds of a wait; seconds are rounded up, so that 0:00 means it is over. */
export function countdown(ms: number): string {
	const seconds = Math.max(0, Math.ceil(ms / 1000));
	return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** "about 4 min", of a duration in seconds */
export function aboutMinutes(seconds: number): string {
	return `${Math.max(1, Math.round(seconds / 60))} min`;
}

/** A moment as forms send it, whoever reads it: "2026-11-23T19:30". */
export function localField(at: Instant, timeZone: string): string {
	return `${civilDate(at, timeZone)}T${wallTime(at, timeZone)}`;
}

/** A day as its field has it: figures in the reader's order, "23/11/2026". */
export function dayAsTyped(day: CivilDate): string {
	const [year, month, date] = day.split('-');
	switch (reader().dates) {
		case 'day':
			return `${date}/${month}/${year}`;
		case 'month':
			return `${month}/${date}/${year}`;
		case 'year':
			return day;
	}
}

/** "19:30", or "7:30 pm" to those who have twelve hours. */
export const timeAsTyped = (wall: string): string => (reader().clock === '24' ? wall : inTwelve(wall));

/** A day and a time as their field has them, of "2026-11-23T19:30". */
export function momentAsTyped(local: string): string {
	return `${dayAsTyped(local.slice(0, 10) as CivilDate)} ${timeAsTyped(local.slice(11, 16))}`;
}

const midday = (day: string) => Date.parse(`${day}T12:00Z`) as Instant;

/** "Mon 23 Nov 2026", of a day of the calendar. */
export function dayInWords(day: string): string {
	return dayWords(midday(day), 'UTC', {
		weekday: 'short',
		day: 'numeric',
		month: 'short',
		year: 'numeric'
	});
}

/** "Mon 23 Nov 2026, 19:30", of "2026-11-23T19:30". */
export function momentInWords(local: string): string {
	return `${dayInWords(local.slice(0, 10))}, ${timeAsTyped(local.slice(11, 16))}`;
}

/** "November 2026" */
export function monthInWords(day: string): string {
	return dayWords(midday(day), 'UTC', { month: 'long', year: 'numeric' });
}
