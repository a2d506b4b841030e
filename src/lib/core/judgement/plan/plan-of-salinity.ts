import {
	beforeAndAfter,
	limitFor,
	NO_EFFECT,
	salinityDays,
	type PlanRequest,
	type PlanStep
} from '../../correction/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { waterNow } from '../water/index.ts';
import { inOrder, NO_REFUSALS, testSteps, type PlanBase } from './plan-base.ts';
import type { PlanPreview } from './plan-types.ts';

/** Salinity over days, by salt or by exchange. */
export function salinityPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'salinity' }>
): Result<PlanPreview> {
	const { judged, limits } = base;
	const water = waterNow(judged, request.volumeKnown);
	if (!water) return fail('volume-unknown', 'volumeL');
	const from = water.levels.salinity;
	if (!from) return fail('never-read', 'salinity');
	const up = request.aim > from.value;
	const limit = limitFor('salinity', up ? 'up' : 'down', limits, water.animals);
	const temperatureC = water.levels.temperature?.value ?? 25;
	const days = salinityDays({
		from: from.value,
		aim: request.aim,
		volumeL: water.volumeL.value,
		temperatureC,
		limitPerDay: limit
	});
	if (days.length === 0) return fail('nothing-to-plan', 'aim');
	const steps: PlanStep[] = days.map(({ day, from: before, to, saltKg, exchangeL }) => ({
		id: `${day}-salinity`,
		day,
		what: { kind: 'salinity', from: before, to, saltKg, exchangeL }
	}));
	steps.push(...testSteps(['salinity'], days.length));
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days: days.length,
			goals: [
				{
					parameter: 'salinity',
					from,
					fromU: from.u,
					aim: request.aim,
					drift: { value: 0, u: 0.03 },
					limitPerDay: limit
				}
			],
			supplements: [],
			steps: inOrder(steps),
			courses: [
				{
					parameter: 'salinity',
					points: Array.from({ length: days.length + 4 }, (_, day) => ({
						day,
						value: days[day]?.from ?? request.aim,
						u: from.u
					}))
				}
			],
			moves: beforeAndAfter(water, NO_EFFECT, NO_EFFECT, 0),
			remarks: days.length > 1 ? ['second-reading'] : []
		},
		...NO_REFUSALS
	});
}
