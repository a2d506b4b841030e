import type { OwnLimit, PlanStep, RisePerDay } from '../../correction/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { JudgedWater } from '../water/index.ts';
import type { Batch, NamedSupplement } from './plan-types.ts';

/** What a plan stands on besides the water. */
export interface PlanBase {
	readonly judged: JudgedWater;
	readonly supplements: readonly NamedSupplement[];
	readonly limits: readonly OwnLimit[];
	readonly batches: readonly Batch[];
	/** What the water answers to a dose, as a share of what was expected. */
	readonly response: number;
	/** Its first day is tomorrow already, because today was dosed. */
	readonly fromTomorrow: boolean;
	/** What other plans that run still add on a day, at most. */
	readonly besides: RisePerDay;
}

/** As many digits as a scale or a measuring glass shows. */
export const round = (value: number) => Number(value.toPrecision(3));

/** Of a day first the test, then the daily dose, then what is added. */
export function inOrder(steps: readonly PlanStep[]): PlanStep[] {
	const rank = { test: 0, 'daily-dose': 1, change: 2, salinity: 2, dose: 3, remedy: 4 } as const;
	return [...steps].sort((a, b) => a.day - b.day || rank[a.what.kind] - rank[b.what.kind]);
}

export const NO_REFUSALS = { refusals: [], mix: null } as const;

/** The tests of a plan that nobody asks repeats of. */
export function testSteps(parameters: readonly ParameterId[], days: number): PlanStep[] {
	const test = (day: number, why: 'before' | 'midway' | 'end'): PlanStep => ({
		id: `${day}-test-${why}`,
		day,
		what: { kind: 'test', parameters, repeats: 1, why }
	});
	return [
		...(days > 1 ? [test(0, 'before')] : []),
		...(days >= 3 ? [test(Math.ceil(days / 2), 'midway')] : []),
		test(days, 'end')
	];
}
