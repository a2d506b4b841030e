import { instant, type Instant } from './instant.ts';

/** A day of the calendar, 'YYYY-MM-DD', in some zone that the reader knows. */
export type CivilDate = string & { readonly __civilDate: unique symbol };

const formatters = new Map<string, Intl.DateTimeFormat>();

function formatterOf(timeZone: string): Intl.DateTimeFormat {
	let formatter = formatters.get(timeZone);
	if (!formatter) {
		formatter = new Intl.DateTimeFormat('en-GB', {
			timeZone,
			hourCycle: 'h23',
			year: 'numeric',
			month: '2-digit',
			day: '2-digit',
			hour: '2-digit',
			minute: '2-digit',
			second: '2-digit'
		});
		formatters.set(timeZone, formatter);
	}
	return formatter;
}

function localParts(at: Instant, timeZone: string): Record<string, string> {
	return Object.fromEntries(
		formatterOf(timeZone)
			.formatToParts(at)
			.map((p) => [p.type, p.value])
	);
}

/** The calendar day that a clock on the wall in `timeZone` shows. @throws {RangeError} on an unknown zone */
export function civilDate(at: Instant, timeZone: string): CivilDate {
	const p = localParts(at, timeZone);
	return `${p.year}-${p.month}-${p.day}` as CivilDate;
}

/** Minutes that local time is ahead of UTC at that instant. */
export function offsetMinutes(at: Instant, timeZone: string): number {
	const p = localParts(at, timeZone);
	const asUtc = Date.UTC(
		Number(p.year),
		Number(p.month) - 1,
		Number(p.day),
		Number(p.hour),
		Number(p.minute),
		Number(p.second)
	);
	return Math.round((asUtc - at) / 60_000);
}

/**
 * The instant at which a wall clock in `timeZone` shows this time of a day of the calendar. Like `instantOfLocal`, for
 * days that are known to be in the calendar: a page needs no calendar of its own for them.
 *
 * @param time 'HH:MM'
 */
export function instantOnDay(day: CivilDate, time: string, timeZone: string): Instant {
	const asUtc = instant(Date.parse(`${day}T${time}Z`));
	const before = offsetMinutes(instant(asUtc - 86_400_000), timeZone);
	const candidate = instant(asUtc - before * 60_000);
	const there = offsetMinutes(candidate, timeZone);
	if (there === before) return candidate;
	const second = instant(asUtc - there * 60_000);
	return offsetMinutes(second, timeZone) === there ? second : candidate;
}

/** The last minute of the day in which an instant lies. */
export function endOfDay(at: Instant, timeZone: string): Instant {
	return instantOnDay(civilDate(at, timeZone), '23:59', timeZone);
}
