import type { BoardCell } from '$lib/contract/board';
import type { TodayAnswer } from '$lib/contract/today';
import { isDue, worstOf } from '$lib/core/judgement';
import { stepsAhead, type StepAhead } from '$lib/core/judgement/plan';
import type { JudgedWater, JudgementSettings, MatterToday } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { addDays, endOfDay, type Instant } from '$lib/core/time';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from './judged-water.ts';
import { todayOf, withMatters } from './read-today.ts';

/** A water with nothing to it is told after those that wait for a test. */
const DUE_WEIGHT = 1;
const WEEK_DAYS = 7;
/** On a board stands what was read in this time. */
const BOARD_DAYS = 45;

/** What is believed of a parameter now, and what was read last; canonical units. */
export interface StandsAt {
	readonly parameter: ParameterId;
	/** Null where no line can be drawn. */
	readonly level: { readonly value: number; readonly u: number } | null;
	readonly last: TestResult;
}

/**
 * All that is told of a water at a time, wherever it is told: one judgement, from which today's page, the frame of
 * every page, the lines beside other waters, the board, the calendar and the bench speak. Plain data.
 */
export interface WaterDay {
	readonly now: Instant;
	readonly today: TodayAnswer;
	/** What endangers its animals, the worst first. */
	readonly dangers: readonly MatterToday[];
	readonly settings: JudgementSettings;
	readonly stands: readonly StandsAt[];
	/** How many matters it has beside the first, and how heavy they weigh. */
	readonly others: number;
	readonly weight: number;
	/** Due until tonight. */
	readonly dueToday: readonly ParameterId[];
	readonly lastReadAt: Instant | null;
	readonly cells: readonly BoardCell[];
	readonly steps: readonly StepAhead[];
}

function cellsOf({ water, now, rows, estimates }: JudgedWater): BoardCell[] {
	if (water.kind !== 'tank') return [];
	const at = (parameter: ParameterId, time: Instant) => {
		const estimate = estimates.of(parameter);
		if (!estimate || time < estimate.from) return null;
		const { value, uRandom, uCommon } = estimate.at(time);
		return { value, u: standardUncertaintyOf({ uRandom, uCommon }) };
	};
	return rows.flatMap(({ parameter, estimate, last }) => {
		const present = estimate && at(parameter, now);
		if (!present || last.at < addDays(now, -BOARD_DAYS)) return [];
		const weekAgo = at(parameter, addDays(now, -WEEK_DAYS));
		return [{ parameter, now: present, weekAgo, verdict: estimate.verdict, drawnAt: last.at }];
	});
}

function standsOf({ rows, estimates, now }: JudgedWater): StandsAt[] {
	return rows.map(({ parameter, last }) => {
		const present = estimates.of(parameter)?.at(now);
		return {
			parameter,
			level: present ? { value: present.value, u: standardUncertaintyOf(present) } : null,
			last: last.result
		};
	});
}

/** @throws {RangeError | TypeError} where a water cannot be judged at all */
export async function readDay(deps: Deps, scope: SiteScope, water: Water): Promise<WaterDay> {
	const judged = await judgedWater(deps, scope, water);
	// One that was taken down is read as it was; nothing of it presses any more.
	const runs = water.endedAt === null;
	const matters = runs ? await withMatters(deps, scope, judged) : [];
	const end = endOfDay(judged.now, scope.timeZone);
	const dueToday = judged.due.filter((d) => isDue(d, end)).map((d) => d.parameter);
	return {
		now: judged.now,
		today: todayOf(judged, matters),
		dangers: matters.filter((m) => m.danger).sort((a, b) => b.weight - a.weight),
		settings: judged.settings,
		stands: standsOf(judged),
		others: Math.max(0, matters.length - 1),
		weight: worstOf(matters) + (dueToday.length > 0 ? DUE_WEIGHT : 0),
		dueToday,
		lastReadAt: judged.lastReadAt,
		cells: cellsOf(judged),
		steps: runs ? stepsAhead(judged) : []
	};
}
