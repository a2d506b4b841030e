import type { StoredEvent } from '../../record/index.ts';

/** A phosphate medium runs at the end of what happened. */
export function mediumRuns(events: readonly StoredEvent[]): boolean {
	return events.findLast((e) => e.kind === 'medium-in' || e.kind === 'medium-out')?.kind === 'medium-in';
}
