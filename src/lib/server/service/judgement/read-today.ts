import type { LastSession, TodayAnswer } from '$lib/contract/today';
import { judgeResult, pressing, STAGES, type DueTest, type StageId } from '$lib/core/judgement';
import { planLines } from '$lib/core/judgement/plan';
import { mattersOf, rateMoves, type JudgedWater, type MatterToday } from '$lib/core/judgement/water';
import { bandAt, plainBand, runningDoses } from '$lib/core/record';
import { addDays, civilDate } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';
import { findDoubts } from '../reading/find-doubts.ts';

/** Readings in doubt and moved consumptions are told for so long. */
const DOUBTS_DAYS = 60;
const MOVES_DAYS = 60;
/** A bottle that stood longer tells a laboratory little. */
const BOTTLE_DAYS = 30;

/** What was read on the last day of testing. */
function lastSessionOf({ results, targets, timeZone }: JudgedWater): LastSession | null {
	const last = results.at(-1);
	if (!last) return null;
	const day = civilDate(last.at, timeZone);
	let first = results.length - 1;
	while (first > 0 && civilDate(results[first - 1]!.at, timeZone) === day) first--;
	const own = results.slice(first);
	return {
		at: last.at,
		results: own.map(({ result, at }) => {
			const band = plainBand(bandAt(targets, result.parameter, at));
			return {
				parameter: result.parameter,
				result,
				verdict: band ? judgeResult(result, band) : null
			};
		})
	};
}

/** A judged water with what is in doubt and what moved, as a list of what it asks for. */
export async function withMatters(deps: Deps, scope: SiteScope, judged: JudgedWater) {
	const { now, estimates, results, events } = judged;
	const doubts = await findDoubts(deps, scope, estimates, addDays(now, -DOUBTS_DAYS));
	const moves = rateMoves({ estimates, results, events, now }, addDays(now, -MOVES_DAYS));
	return mattersOf(judged, doubts, moves);
}

/** What is tested first in a stage stands first: of a tank that was left alone ammonia before all else. */
function inOrderOf(stage: StageId | null, due: readonly DueTest[]): readonly DueTest[] {
	if (!stage) return due;
	const { tests } = STAGES[stage];
	const rank = ({ parameter }: DueTest) => {
		const place = tests.indexOf(parameter);
		return place === -1 ? tests.length : place;
	};
	return [...due].sort((a, b) => rank(a) - rank(b));
}

/** Where a water stands today: what it asks for, what is due, each tested parameter, and what was read last. */
export function todayOf(judged: JudgedWater, matters: readonly MatterToday[]): TodayAnswer {
	const { shown, folded } = pressing(matters);
	const { rows, untested, stage, cycle } = judged;
	return {
		shown,
		folded,
		due: inOrderOf(stage, judged.due),
		stage,
		advice: stage ? STAGES[stage].advice : [],
		cycle,
		lastSession: lastSessionOf(judged),
		rows,
		untested,
		leftOut: judged.leftOut,
		bottles: judged.events
			.filter((e) => e.kind === 'bottle-kept' && e.happenedAt >= addDays(judged.now, -BOTTLE_DAYS))
			.map(({ id, happenedAt }) => ({ id, at: happenedAt }))
			.reverse(),
		doses: runningDoses(judged.events, judged.now).map(({ supplement, amountMlPerDay, unit }) => ({
			supplement,
			amountMlPerDay,
			...(unit ? { unit } : {})
		})),
		plans: planLines(judged).filter((p) => p.state === 'running' || p.state === 'over')
	};
}
