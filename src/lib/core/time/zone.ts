import { DAY_MS, instant, type Instant } from './instant.ts';

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

/** How far ahead local time was on a day of UTC, ms; null where that changed within it. */
const offsets = new Map<string, Map<number, number | null>>();
/** Before, local times were ahead by odd seconds in places; after, a year has more than four digits. */
const [WHOLE_MINUTES_SINCE, FOUR_DIGITS_UNTIL] = [Date.UTC(1973, 0, 1), Date.UTC(9999, 0, 1)];
/** Far more days than anybody's records have. */
const MOST_DAYS = 50_000;

function exactOffsetMs(at: Instant, timeZone: string): number {
	const p = localParts(at, timeZone);
	const asUtc = Date.UTC(
		Number(p.year),
		Number(p.month) - 1,
		Number(p.day),
		Number(p.hour),
		Number(p.minute),
		Number(p.second)
	);
	return asUtc - Math.floor(at / 1000) * 1000;
}

/** Days of UTC, both of them in it, at whose every moment local time is ahead by the same. */
export interface SteadySpan {
	readonly fromDay: number;
	readonly toDay: number;
	readonly offsetMs: number;
}

/** What was told of zones, so that nobody has to ask the platform: to make its first formatter takes it longest of all. */
const told = new Map<string, readonly SteadySpan[]>();

/** Takes another's word for how far ahead a zone is; days that it does not hold are asked of the platform as ever. */
export function knowZone(timeZone: string, spans: readonly SteadySpan[]): void {
	told.set(timeZone, spans);
}

/** Of a zone the spans in which nothing changes, from a day to another; the days of a change belong to none. */
export function steadySpans(timeZone: string, from: Instant, to: Instant): readonly SteadySpan[] {
	const spans: SteadySpan[] = [];
	for (let day = Math.floor(from / DAY_MS); day <= Math.floor(to / DAY_MS); day++) {
		const offsetMs = steadyOffsetMs(instant(day * DAY_MS), timeZone);
		const last = spans.at(-1);
		if (offsetMs === null) continue;
		if (last && last.toDay === day - 1 && last.offsetMs === offsetMs)
			spans[spans.length - 1] = { ...last, toDay: day };
		else spans.push({ fromDay: day, toDay: day, offsetMs });
	}
	return spans;
}

/**
 * The same for every moment of most days: a formatter is asked twice for each, and not for every reading of a record.
 *
 * @returns ms; null where it has to be asked of the moment itself
 */
function steadyOffsetMs(at: Instant, timeZone: string): number | null {
	if (!(at >= WHOLE_MINUTES_SINCE && at < FOUR_DIGITS_UNTIL)) return null;
	const day = Math.floor(at / DAY_MS);
	const span = told.get(timeZone)?.find((s) => day >= s.fromDay && day <= s.toDay);
	if (span) return span.offsetMs;
	let days = offsets.get(timeZone);
	if (!days || days.size > MOST_DAYS) offsets.set(timeZone, (days = new Map<number, number | null>()));
	const known = days.get(day);
	if (known !== undefined) return known;
	const begin = exactOffsetMs(instant(day * DAY_MS), timeZone);
	const steady = begin === exactOffsetMs(instant((day + 1) * DAY_MS), timeZone) ? begin : null;
	days.set(day, steady);
	return steady;
}

/** The calendar day that a clock on the wall in `timeZone` shows. @throws {RangeError} on an unknown zone */
export function civilDate(at: Instant, timeZone: string): CivilDate {
	const steady = steadyOffsetMs(at, timeZone);
	if (steady !== null) return new Date(at + steady).toISOString().slice(0, 10) as CivilDate;
	const p = localParts(at, timeZone);
	return `${p.year}-${p.month}-${p.day}` as CivilDate;
}

/** 1 is Monday and 7 Sunday, where a clock on the wall in `timeZone` stands (ISO 8601). */
export function weekdayOf(at: Instant, timeZone: string): number {
	return ((new Date(`${civilDate(at, timeZone)}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;
}

/** Minutes that local time is ahead of UTC at that instant. */
export function offsetMinutes(at: Instant, timeZone: string): number {
	return Math.round((steadyOffsetMs(at, timeZone) ?? exactOffsetMs(at, timeZone)) / 60_000);
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

/** Whether a name is one of the zones that the platform knows, such as "Europe/Berlin". */
export function isZone(name: string): boolean {
	if (name === '' || name.length > 60) return false;
	try {
		return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== '';
	} catch {
		return false;
	}
}
