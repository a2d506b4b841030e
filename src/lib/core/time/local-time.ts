import { Temporal } from 'temporal-polyfill';
import { instant, type Instant } from './instant.ts';

/** As a date and time field writes it; seconds may be left out. */
const LOCAL = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/;

/**
 * The instant at which a wall clock in `timeZone` shows this local time ('YYYY-MM-DDTHH:MM'). In the hour that is
 * repeated in autumn the earlier of the two; in the one skipped in spring, an hour later. A day or an hour that is not
 * in the calendar is no local time, however near it is to one.
 *
 * @throws {RangeError} when the text is not a local date and time, or no such day exists
 * @example instantOfLocal('2026-02-30T12:00', 'Europe/Lisbon') // throws: February has 28 days
 */
export function instantOfLocal(local: string, timeZone: string): Instant {
	if (!LOCAL.test(local)) throw new RangeError(`not a local date and time: ${local}`);
	const wall = Temporal.PlainDateTime.from(local, { overflow: 'reject' });
	return instant(wall.toZonedDateTime(timeZone, { disambiguation: 'compatible' }).epochMilliseconds);
}
