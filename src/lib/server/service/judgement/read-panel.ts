import type { PanelAnswer, PanelTest } from '$lib/contract/findings';
import { askedBy, suspectedIn } from '$lib/core/judgement/water';
import { judgeResult, type Band, type PanelHappening } from '$lib/core/judgement';
import { boundsOf, type TestResult } from '$lib/core/reading';
import { bandAt, plainBand } from '$lib/core/record';
import { addDays, type Instant } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from './judged-water.ts';

/** A test this long after an event no longer tells of it. */
const TELLS_DAYS = 7;

/** Which outcome a result is: by the likelier side of the band, none where the band says so. */
function outcomeOf(at: Instant, result: TestResult, band: Band | null): PanelTest['since'] {
	if (!band) return { at, result, verdict: null, outcome: null };
	const verdict = judgeResult(result, band);
	if (verdict?.probabilities) {
		const { pIn, pBelow, pAbove } = verdict.probabilities;
		const most = Math.max(pIn, pBelow, pAbove);
		return { at, result, verdict, outcome: most === pIn ? 'inside' : most === pBelow ? 'low' : 'high' };
	}
	const { lower, upper } = boundsOf(result);
	if (band.high !== null && lower >= band.high) return { at, result, verdict, outcome: 'high' };
	if (band.low !== null && upper !== null && upper <= band.low) {
		return { at, result, verdict, outcome: 'low' };
	}
	return { at, result, verdict, outcome: null };
}

/** The tests that an event asks for, with what was read since it happened. */
export async function readPanel(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	happening: PanelHappening,
	eventId: string | null
): Promise<PanelAnswer> {
	const { results, events, targets, now, due } = await judgedWater(deps, scope, water);
	const event = eventId === null ? null : (events.find((e) => e.id === eventId) ?? null);
	const suspected = suspectedIn(event?.details);
	const asked = askedBy(happening, event?.details);
	const usual = new Set([...due.map((d) => d.parameter), ...results.map((r) => r.result.parameter)]);
	return {
		happening,
		event: event && { id: event.id, at: event.happenedAt, note: event.note },
		tests: asked
			.filter((p) => p === suspected || usual.has(p) || bandAt(targets, p, now) !== null)
			.map((parameter) => {
				const band = bandAt(targets, parameter, event?.happenedAt ?? now);
				const found = event
					? results.find(
							(r) =>
								r.result.parameter === parameter &&
								r.at >= event.happenedAt &&
								r.at <= addDays(event.happenedAt, TELLS_DAYS)
						)
					: undefined;
				return {
					parameter,
					suspected: parameter === suspected,
					band,
					since: found ? outcomeOf(found.at, found.result, plainBand(band)) : null
				};
			})
	};
}
