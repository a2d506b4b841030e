import type { FindingsAnswer, PastFinding } from '$lib/contract/findings';
import { findingsOf, ReadingsInTime, RULES, type RuleId } from '$lib/core/judgement';
import { factsAt } from '$lib/core/judgement/water';
import { civilDate, daysBetween, type Instant } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import { profilesOf, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from './judged-water.ts';

/** Findings of one rule that are no further apart are one episode. */
const APART_DAYS = 22;
const OF_READINGS = RULES.filter((r) => 'ofReadings' in r);

/** What the rules ask of the log besides readings. */
const ASKED_EVENTS: ReadonlySet<string> = new Set(['water-change', 'medium-in', 'medium-out']);

/** What the rules find in a water now, and what they would have found on every day on which it was tested. */
export async function readFindings(deps: Deps, scope: SiteScope, water: Water): Promise<FindingsAnswer> {
	const [judged, profiles] = await Promise.all([
		judgedWater(deps, scope, water),
		profilesOf(deps.db, scope, water.id)
	]);
	// A day is judged by what the water was then: a reef of today may have been a tank that cycled.
	const profileAt = (at: Instant) => profiles.find((p) => p.fromAt <= at)?.profile ?? water.profile;
	const then = {
		...judged,
		profileAt,
		inTime: new ReadingsInTime(judged.results),
		events: judged.events.filter((e) => ASKED_EVENTS.has(e.kind))
	};
	const off = new Set(judged.settings.rulesOff);
	const lastOfDay = new Map<string, Instant>();
	for (const { at } of judged.results) lastOfDay.set(civilDate(at, scope.timeZone), at);
	const past: PastFinding[] = [];
	const running = new Map<RuleId, PastFinding>();
	for (const at of lastOfDay.values()) {
		for (const finding of findingsOf(OF_READINGS, factsAt(then, at, null), off)) {
			const before = running.get(finding.rule);
			if (before && daysBetween(before.to, at) <= APART_DAYS) {
				const longer: PastFinding = { ...before, to: at };
				past[past.indexOf(before)] = longer;
				running.set(finding.rule, longer);
				continue;
			}
			const episode: PastFinding = { finding, from: at, to: at };
			past.push(episode);
			running.set(finding.rule, episode);
		}
	}
	return { now: judged.findings, past: past.reverse(), settings: judged.settings, leftOut: judged.leftOut };
}
