import type { BoardWater } from '$lib/contract/board';
import type { WaterLine } from '$lib/contract/today';
import { DANGER_WEIGHT } from '$lib/core/judgement';
import type { Reached } from '../../repository/scope.ts';
import type { WaterDay } from './read-day.ts';

/** One that cannot be judged may hide anything: it stands among those in danger. */
const FAILED_WEIGHT = DANGER_WEIGHT;

/** A water that a person may go to, with its day; null where it could not be judged. */
export interface ReachedDay {
	readonly reached: Reached;
	readonly day: WaterDay | null;
}

function lineOf({ reached: { scope, water }, day }: ReachedDay): WaterLine {
	const named = { id: water.id, name: water.name, site: scope.siteName };
	if (!day) {
		const nothing = { stage: null, worst: null, others: 0, due: [], lastReadAt: null, leftOut: 0 };
		return { ...named, ...nothing, failed: true, weight: FAILED_WEIGHT };
	}
	const { today, others, dueToday, lastReadAt, weight } = day;
	return {
		...named,
		stage: today.stage,
		worst: today.shown[0] ?? null,
		others,
		due: dueToday,
		lastReadAt,
		leftOut: today.leftOut.length,
		failed: false,
		weight
	};
}

/** One line for each water that a person may see, the worst first. One that cannot be judged says so. */
export function linesOf(days: readonly ReachedDay[]): WaterLine[] {
	return days.map(lineOf).sort((a, b) => b.weight - a.weight);
}

/** Every tank with last week beside now, for a wall or a shop. */
export function boardOf(days: readonly ReachedDay[]): BoardWater[] {
	return days
		.filter(({ reached, day }) => !day || reached.water.kind === 'tank')
		.map((one) => ({ ...lineOf(one), cells: one.day?.cells ?? [] }))
		.sort((a, b) => b.weight - a.weight);
}
