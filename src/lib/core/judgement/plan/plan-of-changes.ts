import { LIMITED, type Limited } from '../../caution/index.ts';
import {
	limitFor,
	movesOfChange,
	seriesOf,
	type LevelsOf,
	type PlanCourse,
	type PlanRequest,
	type PlanStep,
	type SeriesStep,
	type WaterNow
} from '../../correction/index.ts';
import { PARAMETERS, type ParameterId } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { isLine } from '../../trend/index.ts';
import { waterNow, type JudgedWater } from '../water/index.ts';
import { inOrder, NO_REFUSALS, round, testSteps, type PlanBase } from './plan-base.ts';
import type { Batch, PlanPreview } from './plan-types.ts';

/** What new water brings, measured where its batch was tested. */
export function newWaterOf(batches: readonly Batch[], name: string): LevelsOf {
	const batch = batches.find((b) => b.name === name);
	if (!batch) return {};
	return Object.fromEntries(Object.entries(batch.levels).map(([p, known]) => [p, known.value]));
}

/** Levels of a water as plain numbers. */
export function levelsOf(water: WaterNow): LevelsOf {
	return Object.fromEntries(Object.entries(water.levels).map(([p, known]) => [p, known.value]));
}

/** Net change of a parameter between two changes, by the estimate. */
export function betweenChanges(judged: JudgedWater, everyDays: number): (parameter: ParameterId) => number {
	return (parameter) => {
		const line = judged.estimates.of(parameter);
		if (!isLine(parameter, line)) return 0;
		const { value, u } = line.netChangePerDay;
		return Math.abs(value) > u ? value * everyDays : 0;
	};
}

/** Where a parameter goes, change by change. */
function courseOf(
	water: WaterNow,
	parameter: ParameterId,
	series: readonly SeriesStep[],
	everyDays: number
): PlanCourse {
	const { value, u } = water.levels[parameter]!;
	const after = series.map(({ number, levels }) => ({
		day: (number - 1) * everyDays + 0.5,
		value: levels[parameter]!,
		u
	}));
	return { parameter, points: [{ day: 0, value, u }, ...after] };
}

/** One water change or a series, each within what a day may change. */
export function changesPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'changes' }>
): Result<PlanPreview> {
	const { judged, limits, batches } = base;
	const water = waterNow(judged, true);
	if (!water) return fail('volume-unknown', 'volumeL');
	if (request.litres > water.volumeL.value) {
		return fail('too-large', 'litres', { most: water.volumeL.value, unit: 'L' });
	}
	const fraction = request.litres / water.volumeL.value;
	const tank = levelsOf(water);
	const fresh = newWaterOf(batches, request.batch);
	const limitOf = (parameter: Limited, direction: 'up' | 'down') =>
		LIMITED.includes(parameter) ? limitFor(parameter, direction, limits, water.animals) : null;
	const beyond = movesOfChange(tank, fresh, fraction, limitOf).find((m) => !m.within);
	if (beyond) {
		return fail('beyond-daily-limit', 'litres', {
			parameter: PARAMETERS[beyond.parameter].name,
			most: round((beyond.limit! / Math.abs(beyond.after - beyond.before)) * request.litres)
		});
	}
	const series = seriesOf(
		tank,
		fresh,
		{ fraction, count: request.count },
		betweenChanges(judged, request.everyDays)
	);
	const days = (request.count - 1) * request.everyDays + 1;
	const followed = (Object.keys(fresh) as ParameterId[]).filter((p) => tank[p] !== undefined && p !== 'ph');
	const steps = series.map(({ number }): PlanStep => ({
		id: `${(number - 1) * request.everyDays}-change`,
		day: (number - 1) * request.everyDays,
		what: { kind: 'change', number, litres: request.litres, batch: request.batch }
	}));
	const tests = testSteps(followed.length > 0 ? followed : ['salinity'], days).filter((t) => t.day > 0);
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days,
			goals: followed.map((parameter) => ({
				parameter,
				from: water.levels[parameter]!,
				fromU: water.levels[parameter]!.u,
				aim: series.at(-1)!.levels[parameter]!,
				drift: { value: 0, u: 0 },
				limitPerDay: null
			})),
			supplements: [],
			steps: inOrder([...steps, ...tests]),
			courses: followed.map((parameter) => courseOf(water, parameter, series, request.everyDays)),
			moves: null,
			remarks: []
		},
		...NO_REFUSALS
	});
}
