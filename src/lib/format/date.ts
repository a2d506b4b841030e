import { civilDate, daysBetween, offsetMinutes, type CivilDate, type Instant } from '$lib/core/time';
import { reader } from './reader.ts';

type Parts = Readonly<Partial<Record<Intl.DateTimeFormatPartTypes, string>>>;

const formatters = new Map<string, Intl.DateTimeFormat>();
/** A page names the same few days over and over, and the platform takes long to name one. */
const named = new Map<string, Parts>();
const MOST_NAMED = 4000;

/** The words of a day of the calendar, in British English; their order is the reader's. */
function partsOf(day: CivilDate, options: Intl.DateTimeFormatOptions): Parts {
	const form = JSON.stringify(options);
	const key = day + form;
	const known = named.get(key);
	if (known) return known;
	let formatter = formatters.get(form);
	if (!formatter) {
		formatter = new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options });
		formatters.set(form, formatter);
	}
	const parts: Parts = Object.fromEntries(
		formatter.formatToParts(Date.parse(day)).map(({ type, value }) => [type, value])
	);
	if (named.size >= MOST_NAMED) named.clear();
	named.set(key, parts);
	return parts;
}

const ORDER = {
	day: ['day', 'month', 'year'],
	month: ['month', 'day', 'year'],
	year: ['year', 'month', 'day']
} as const;

/** Day, month and year as far as they are asked for, in the reader's order: "23 Nov", "Nov 23". */
export function dayWords(at: Instant, timeZone: string, options: Intl.DateTimeFormatOptions): string {
	const words = partsOf(civilDate(at, timeZone), options);
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
