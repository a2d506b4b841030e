import type { ParameterId } from '../../quantity/index.ts';
import { NEW_WATER_U, type EventContent } from '../../record/index.ts';
import { strengthOf } from '../dose/supplement.ts';
import type { WaterNow } from '../water-state.ts';
import type { PlanStep, StoredPlan } from './kept.ts';

type What<K extends PlanStep['what']['kind']> = Extract<PlanStep['what'], { readonly kind: K }>;

/** New salt water of a plan, with what was read of it. */
interface ReadBatch {
	readonly name: string;
	readonly levels: WaterNow['levels'];
}

/** Purified water, which holds no salt. */
const PURIFIED = [{ parameter: 'salinity', value: 0, u: 0.1 }] as const;

function doseEvent(what: What<'dose'>, plan: StoredPlan['plan'], given: number | null): EventContent {
	const supplement = plan.supplements.find((s) => s.id === what.supplementId);
	const strength = supplement ? strengthOf(supplement.what) : [];
	const { name, amount, unit } = what;
	return { kind: 'dose', details: { supplement: name, amountMl: given ?? amount, unit, strength } };
}

function salinityEvent(what: What<'salinity'>, plan: StoredPlan['plan'], given: number | null): EventContent {
	if (what.saltKg <= 0) {
		const volumeL = given ?? what.exchangeL;
		return { kind: 'water-change', details: { volumeL, batch: 'Purified water', newWater: PURIFIED } };
	}
	const plannedG = what.saltKg * 1000;
	const per100L = ((what.to - what.from) * (plan.volumeL?.value ?? 100)) / 100;
	const risePerMlIn100L = Number((per100L / plannedG).toPrecision(9));
	return {
		kind: 'dose',
		details: {
			supplement: 'Salt mix',
			amountMl: given ?? plannedG,
			unit: 'g',
			strength: [{ parameter: 'salinity', risePerMlIn100L }]
		}
	};
}

function changeEvent(
	what: What<'change'>,
	given: number | null,
	batches: readonly ReadBatch[]
): EventContent {
	const batch = batches.find((b) => b.name === what.batch);
	const newWater = Object.entries(batch?.levels ?? {}).map(([id, known]) => {
		const parameter = id as ParameterId;
		return { parameter, value: known.value, u: Math.max(known.u, NEW_WATER_U[parameter] / 4) };
	});
	return { kind: 'water-change', details: { volumeL: given ?? what.litres, batch: what.batch, newWater } };
}

/**
 * What a step that was done did to the water, as the log and the estimate take it; null of steps that add and change
 * nothing.
 *
 * @param given the amount where it was not as planned, in the unit of the step
 * @param batches of new salt water, with what was read of them
 */
export function eventOfStep(
	{ what }: PlanStep,
	plan: StoredPlan['plan'],
	given: number | null,
	batches: readonly ReadBatch[]
): EventContent | null {
	switch (what.kind) {
		case 'dose':
			return doseEvent(what, plan, given);
		case 'daily-dose': {
			const { name, toPerDay, unit, strength } = what;
			const details = { supplement: name, amountMlPerDay: given ?? toPerDay, unit, strength };
			return { kind: 'recurring-dose', details };
		}
		case 'salinity':
			return salinityEvent(what, plan, given);
		case 'change':
			return changeEvent(what, given, batches);
		case 'test':
		case 'remedy':
			return null;
	}
}
