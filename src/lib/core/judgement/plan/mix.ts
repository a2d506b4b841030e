import {
	bestMix,
	limitFor,
	offeredFor,
	RAISED,
	unitOf,
	type Goal,
	type RaisedParameter,
	type Supplement,
	type WaterNow
} from '../../correction/index.ts';
import { round, type PlanBase } from './plan-base.ts';
import type { MixSeen } from './plan-types.ts';

/** No change of more than this share is proposed in a mix (convention). */
const MIX_CHANGE_SHARE = 0.2;

/** The same rises by the best mix of everything at hand, with a change where the newest batch was tested. */
export function mixFor(
	{ supplements, batches, limits }: PlanBase,
	water: WaterNow,
	goals: readonly Goal[]
): MixSeen {
	const wanted = goals.map((g) => g.parameter);
	const atHand = supplements.flatMap(({ id, what }) =>
		what.kind === 'table' || what.kind === 'limewater' || !offeredFor(what).some((p) => wanted.includes(p))
			? []
			: [{ id, supplement: what }]
	);
	const [batch] = batches;
	const newWater = batch
		? Object.fromEntries(RAISED.flatMap((p) => (batch.levels[p] ? [[p, batch.levels[p].value]] : [])))
		: {};
	const mix = bestMix({
		water,
		rises: Object.fromEntries(goals.map((g) => [g.parameter, g.aim - g.from.value])),
		scale: Object.fromEntries(RAISED.map((p) => [p, limitFor(p, 'up', limits, true) ?? 1])) as Readonly<
			Record<RaisedParameter, number>
		>,
		atHand,
		...(batch && !water.fresh ? { change: { most: MIX_CHANGE_SHARE, newWater } } : {})
	});
	return {
		change:
			batch && mix.changeShare > 0.01
				? { litres: round(mix.changeShare * water.volumeL.value), batch: batch.name }
				: null,
		amounts: mix.amounts.map(({ id, amount }) => {
			const named = supplements.find((s) => s.id === id)!;
			return { name: named.name, amount: round(amount), unit: unitOf(named.what as Supplement) };
		}),
		short: mix.short.map(({ parameter }) => ({ parameter, reached: mix.reached[parameter]! })),
		salinityRise: mix.salinityRise
	};
}
