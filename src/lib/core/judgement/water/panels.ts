import type { ParameterId } from '../../quantity/index.ts';
import { happeningOf, type DatedResult, type StoredEvent } from '../../record/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import { PANEL_DAYS, PANELS, type PanelHappening } from '../index.ts';

/** What happened, what it asks to be tested, and what of it was not tested since. */
export interface OpenPanel {
	readonly happening: PanelHappening;
	readonly eventId: string;
	readonly at: Instant;
	readonly missing: readonly ParameterId[];
}

/** What happened lately and asks for tests that were not made since. */
export function openPanels(
	events: readonly StoredEvent[],
	results: readonly DatedResult[],
	possible: ReadonlySet<ParameterId>,
	now: Instant
): OpenPanel[] {
	return events.flatMap(({ id, kind, happenedAt }) => {
		const happening = happeningOf(kind);
		if (!happening || happenedAt < addDays(now, -PANEL_DAYS) || happenedAt > now) return [];
		const asked: readonly ParameterId[] = PANELS[happening];
		const missing = asked.filter(
			(p) => possible.has(p) && !results.some((r) => r.result.parameter === p && r.at >= happenedAt)
		);
		return missing.length > 0 ? [{ happening, eventId: id, at: happenedAt, missing }] : [];
	});
}
