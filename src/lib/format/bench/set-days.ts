import type { TestSet } from '$lib/core/bench';
import { timeOfMinute } from '$lib/core/time';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** "Sat at 10:00", "Mon, Thu", "no fixed day" */
export function setDays({ weekdays, atMinute }: Pick<TestSet, 'weekdays' | 'atMinute'>): string {
	if (weekdays.length === 0) return 'no fixed day';
	const days = weekdays.map((d) => WEEKDAYS[d - 1]).join(', ');
	return atMinute === null ? days : `${days} at ${timeOfMinute(atMinute)}`;
}
