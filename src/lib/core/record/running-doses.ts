import type { Instant } from '../time/index.ts';
import type { RecurringDose, StoredEvent } from './event.ts';

/** The daily doses that are set at a time: of each supplement the newest, those that were stopped left out. */
export function runningDoses(events: readonly StoredEvent[], at: Instant): readonly RecurringDose[] {
	const newest = new Map<string, RecurringDose>();
	for (const event of [...events].sort((a, b) => a.happenedAt - b.happenedAt)) {
		if (event.kind === 'recurring-dose' && event.happenedAt <= at)
			newest.set(event.details.supplement, event.details);
	}
	return [...newest.values()].filter((d) => d.amountMlPerDay > 0);
}
