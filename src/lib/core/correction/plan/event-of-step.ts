import type { ParameterId } from '../../quantity/index.ts';
import { NEW_WATER_U, type EventContent } from '../../record/index.ts';
import { strengthOf } from '../dose/supplement.ts';
import type { WaterNow } from '../water-state.ts';
import type { PlanStep, StoredPlan } from './kept.ts';

/**
 * What a step that was done did to the water, as the log and the estimate take it; null of steps that add and change
 * nothing.
 *
 * @param given the amount where it was not as planned, in the unit of the step
 * @param batches of new salt water, with what was read of them
 */
export function eventOfStep(
	step: PlanStep,
	plan: StoredPlan['plan'],
	given: number | null,
	batches: readonly { readonly name: string; readonly levels: WaterNow['levels'] }[]
): EventContent | null {
	const { what } = step;
	const strength = (parameter: ParameterId, rise: number, amount: number) => [
		{
			parameter,
			risePerMlIn100L: Number(((rise * (plan.volumeL?.value ?? 100)) / 100 / amount).toPrecision(9))
		}
	];
	switch (what.kind) {
		case 'dose': {
			const supplement = plan.supplements.find((s) => s.id === what.supplementId);
			return {
				kind: 'dose',
				details: {
					supplement: what.name,
					amountMl: given ?? what.amount,
					unit: what.unit,
					strength: supplement ? strengthOf(supplement.what) : []
				}
			};
		}
		case 'daily-dose':
			return {
				kind: 'recurring-dose',
				details: {
					supplement: what.name,
					amountMlPerDay: given ?? what.toPerDay,
					unit: what.unit,
					strength: [...what.strength]
				}
			};
		case 'salinity': {
			if (what.saltKg > 0) {
				const grams = given ?? what.saltKg * 1000;
				return {
					kind: 'dose',
					details: {
						supplement: 'Salt mix',
						amountMl: grams,
						unit: 'g',
						strength: strength('salinity', what.to - what.from, what.saltKg * 1000)
					}
				};
			}
			return {
				kind: 'water-change',
				details: {
					volumeL: given ?? what.exchangeL,
					batch: 'Purified water',
					newWater: [{ parameter: 'salinity', value: 0, u: 0.1 }]
				}
			};
		}
		case 'change': {
			const batch = batches.find((b) => b.name === what.batch);
			return {
				kind: 'water-change',
				details: {
					volumeL: given ?? what.litres,
					batch: what.batch,
					newWater: Object.entries(batch?.levels ?? {}).map(([parameter, known]) => ({
						parameter: parameter as ParameterId,
						value: known.value,
						u: Math.max(known.u, NEW_WATER_U[parameter as ParameterId] / 4)
					}))
				}
			};
		}
		default:
			return null;
	}
}
