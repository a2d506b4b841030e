import { civilDate, daysBetween, type Instant } from '$lib/core/time';

const cache = new Map<string, Intl.DateTimeFormat>();

function format(at: Instant, timeZone: string, options: Intl.DateTimeFormatOptions): string {
	const key = timeZone + JSON.stringify(options);
	let formatter = cache.get(key);
	if (!formatter) {
		formatter = new Intl.DateTimeFormat('en-GB', { timeZone, ...options });
		cache.set(key, formatter);
	}
	return formatter.format(at);
}

/** "Monday 23 November" */
export function longDay(at: Instant, timeZone: string): string {
	return format(at, timeZone, { weekday: 'long', day: 'numeric', month: 'long' }).replace(',', '');
}

/** "Mon 23 Nov", with the year where it is not this one. */
export function shortDay(at: Instant, timeZone: string, now: Instant): string {
	const sameYear = civilDate(at, timeZone).slice(0, 4) === civilDate(now, timeZone).slice(0, 4);
	return format(at, timeZone, {
		weekday: 'short',
		day: 'numeric',
		month: 'short',
		...(sameYear ? {} : { year: 'numeric' })
	}).replace(',', '');
}

/** "19:30" */
export function clockTime(at: Instant, timeZone: string): string {
	return format(at, timeZone, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
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

/** The value of a datetime-local field. */
export function localField(at: Instant, timeZone: string): string {
	return `${civilDate(at, timeZone)}T${clockTime(at, timeZone)}`;
}
