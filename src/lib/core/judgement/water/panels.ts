import type { ParameterId } from '../../quantity/index.ts';
import { happeningOf, type DatedResult, type EventDetails, type StoredEvent } from '../../record/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import { PANEL_DAYS, PANELS, type PanelHappening } from '../index.ts';

/** What happened, what it asks to be tested, and what of it was not tested since. */
export interface OpenPanel {
	readonly happening: PanelHappening;
	readonly eventId: string;
	readonly at: Instant;
	readonly missing: readonly ParameterId[];
}

/** What somebody suspected as the cause; null where nobody said. */
export function suspectedIn(details: EventDetails | undefined): ParameterId | null {
	return (details && 'suspected' in details ? details.suspected : undefined) ?? null;
}

/** The tests of a panel, what is suspected before all others. */
export function askedBy(
	happening: PanelHappening,
	details: EventDetails | undefined
): readonly ParameterId[] {
	const panel: readonly ParameterId[] = PANELS[happening];
	const suspected = suspectedIn(details);
	return suspected === null ? panel : [suspected, ...panel.filter((p) => p !== suspected)];
}

/** What happened lately and asks for tests that were not made since. */
export function openPanels(
	events: readonly StoredEvent[],
	results: readonly DatedResult[],
	possible: ReadonlySet<ParameterId>,
	now: Instant
): OpenPanel[] {
	return events.flatMap(({ id, kind, happenedAt, details }) => {
		const happening = happeningOf(kind);
		if (!happening || happenedAt < addDays(now, -PANEL_DAYS) || happenedAt > now) return [];
		const asked = askedBy(happening, details);
		const suspected = suspectedIn(details);
		const missing = asked.filter(
			(p) =>
				(possible.has(p) || p === suspected) &&
				!results.some((r) => r.result.parameter === p && r.at >= happenedAt)
		);
		return missing.length > 0 ? [{ happening, eventId: id, at: happenedAt, missing }] : [];
	});
}
