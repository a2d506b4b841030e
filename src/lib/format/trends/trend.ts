import type { ParameterId, UnitId } from '$lib/core/quantity';
import { COVERAGE } from '$lib/core/uncertainty';
import { daysBetween, type Instant } from '$lib/core/time';
import { clockTime, shortDay } from '../date.ts';
import { measured, plain } from '../number.ts';
import { symbolAfter } from '../quantity.ts';

/** What stands under the cursor in one row, in the unit that is shown. */
export interface UnderCursor {
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	readonly estimate: { readonly value: number; readonly u: number } | null;
	readonly reading: {
		readonly at: Instant;
		readonly value: number;
		readonly lower: number;
		readonly upper: number;
		readonly kind: 'value' | 'interval' | 'bound';
		readonly kit: string;
	} | null;
}

/** Ends of an interval and bounds are no sharper than two digits. */
const digits = (x: number) => plain(Number(x.toPrecision(2)));

/**
 * "8.1 ± 0.5 dKH", from an interval's ends; "0.05, between 0.03 and 0.1", "above 30".
 *
 * @param bare without the unit, in a table whose rows have theirs elsewhere; an interval in short
 */
export function readingShown(
	reading: NonNullable<UnderCursor['reading']>,
	unit: UnitId,
	bare = false
): string {
	const { value, lower, upper, kind } = reading;
	const symbol = bare ? '' : symbolAfter(unit);
	if (bare && kind === 'interval') return `${digits(value)} (${digits(lower)}–${digits(upper)})`;
	if (kind === 'bound') return `${upper === Infinity ? 'above' : 'below'} ${digits(value)}${symbol}`;
	if (kind === 'interval') return `${digits(value)}, between ${digits(lower)} and ${digits(upper)}${symbol}`;
	const m = measured(value, Math.max(upper - value, 1e-12));
	return `${m.value} ± ${m.plusMinus}${symbol}`;
}

/** The estimate under the cursor, or what is to be said instead. */
export function estimateShown({ estimate, unit }: UnderCursor, bare = false): string {
	if (!estimate) return bare ? '–' : 'no estimate here';
	const m = measured(estimate.value, COVERAGE * estimate.u);
	return `${m.value} ± ${m.plusMinus}${bare ? '' : symbolAfter(unit)}`;
}

/** When a reading was made, beside a cursor that stands elsewhere. */
export function readingWhen(at: Instant, timeZone: string, now: Instant): string {
	return `${shortDay(at, timeZone, now)}, ${clockTime(at, timeZone)}`;
}

/** "1 September to 23 November, 83 days" */
export function spanWords(from: Instant, to: Instant, timeZone: string, now: Instant): string {
	const days = Math.round(daysBetween(from, to));
	return `${shortDay(from, timeZone, now)} to ${shortDay(to, timeZone, now)}, ${days} ${days === 1 ? 'day' : 'days'}`;
}
