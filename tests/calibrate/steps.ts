import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import {
	ALK_SYRINGE,
	CA_SYRINGE,
	K_FILTER,
	MG_SYRINGE,
	NO3_LADDER,
	PO4_METER
} from '../../src/lib/core/method/index.ts';
import { ordinaryLife, simulateWater } from '../../src/lib/core/tank/index.ts';
import { addDays, daysBetween, instant, type Instant } from '../../src/lib/core/time/index.ts';
import { estimateOne } from '../../src/lib/core/trend/index.ts';
import { historiesOf, observationsOf, stateAt } from './history.ts';

/** A tank with a step of its consumption, or without one, and when the estimate told of it. */
export interface StepRun {
	readonly parameter: ParameterId;
	/** 1 is no step at all. */
	readonly factor: number;
	/** Days after the step at which it was first told with a date near the true one; null never. */
	readonly foundAfter: number | null;
	/** Steps told in the year that were none. */
	readonly falseAlarms: number;
}

const STEP_DAY = 150;
const LATEST_DAYS = 60;
/** Half of it is at least half a degree a day. */
const LEAST_USE = 1;
/** A step dated so near to the true day is the true one. */
const NEAR_DAYS = 14;
/** Alkalinity twice a week, the others as often as keepers do who want to know. */
const TESTS = [
	[ALK_SYRINGE, 3.5],
	[CA_SYRINGE, 7],
	[MG_SYRINGE, 14],
	[K_FILTER, 21],
	[NO3_LADDER, 7],
	[PO4_METER, 7]
] as const;

/** Runs one reef for a year; the estimate is asked after every reading, as the keeper would see it. */
export function stepRuns(
	seed: number,
	factor: number,
	parameters: readonly ParameterId[],
	days = 365
): StepRun[] {
	const start = instant(Date.UTC(2025, 0, 1));
	const life = ordinaryLife('stony-low-nutrient', {
		seed,
		start,
		days,
		tests: TESTS,
		uptake: [1.2, 2],
		faults: false,
		...(factor === 1 ? {} : { step: { day: STEP_DAY, factor } })
	});
	const truth = simulateWater(life.script);
	const observed = observationsOf(truth.readings);
	const stepAt = addDays(start, STEP_DAY);
	const usedBetween = (from: number, to: number) =>
		(stateAt(truth, addDays(start, to)).used.alkalinity! -
			stateAt(truth, addDays(start, from)).used.alkalinity!) /
		(to - from);
	// What drifted away since the start may have left too little to step from.
	const small = usedBetween(STEP_DAY - 3, STEP_DAY) < LEAST_USE;
	if (factor !== 1 && small) return [];
	return parameters.map((parameter): StepRun => {
		const readings = observed.get(parameter) ?? [];
		const told: Instant[] = [];
		let foundAfter: number | null = null;
		for (const { at } of readings) {
			const since = daysBetween(stepAt, at);
			if (factor !== 1 && (since < 0 || since > LATEST_DAYS)) continue;
			const history = historiesOf(life, observed, at).find((h) => h.parameter === parameter)!;
			for (const change of estimateOne(history, at)?.changes ?? []) {
				const off = Math.abs(daysBetween(stepAt, change.at));
				if (factor !== 1 && off <= NEAR_DAYS) foundAfter ??= since;
				else if (factor === 1 && told.every((t) => Math.abs(daysBetween(t, change.at)) > NEAR_DAYS))
					told.push(change.at);
			}
			if (foundAfter !== null) break;
		}
		return { parameter, factor, foundAfter, falseAlarms: told.length };
	});
}

export interface StepShare {
	readonly runs: number;
	readonly within: readonly (readonly [days: number, share: number])[];
}

export function sharesOf(runs: readonly StepRun[]): StepShare {
	const share = (days: number) =>
		runs.filter((r) => r.foundAfter !== null && r.foundAfter <= days).length / runs.length;
	return { runs: runs.length, within: [14, 30, 60].map((d) => [d, share(d)] as const) };
}
