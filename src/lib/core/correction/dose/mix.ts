import { solve } from 'yalps';
import { salinityRise } from './chemistry-after.ts';
import { sumOfEffects } from './dose.ts';
import { effectOf, RAISED, riseIn, type RaisedParameter, type Supplement } from './supplement.ts';
import type { WaterNow } from '../water-state.ts';
import { levelOr } from '../water-state.ts';

/** A supplement at hand. */
export interface AtHand {
	readonly id: string;
	readonly supplement: Supplement;
}

export interface MixGiven {
	readonly water: WaterNow;
	/** Rises that are wanted; what is not named should stay. */
	readonly rises: Readonly<Partial<Record<RaisedParameter, number>>>;
	/** A rise counts as so much: a day's limit or the width of a band. */
	readonly scale: Readonly<Record<RaisedParameter, number>>;
	readonly atHand: readonly AtHand[];
	/** New water, and the largest share of the water that may be changed; left out where none is made. */
	readonly change?: {
		readonly most: number;
		readonly newWater: Readonly<Partial<Record<RaisedParameter, number>>>;
	};
}

export interface Mix {
	readonly amounts: readonly { readonly id: string; readonly amount: number }[];
	readonly changeShare: number;
	/** What is reached of each, canonical unit; where it falls short no salt at hand brings it. */
	readonly reached: Readonly<Partial<Record<RaisedParameter, number>>>;
	readonly short: readonly { readonly parameter: RaisedParameter; readonly by: number }[];
	readonly salinityRise: number;
}

/** Weights beside a deviation of one scale: salinity that comes along, and a litre in a hundred that is changed. */
const SALT_WEIGHT = 0.4;
const CHANGE_WEIGHT = 0.3;
const SHORT = 0.02;

/**
 * The best mix of what is at hand, with a water change where one is made: least deviation from the wanted rises,
 * counted by their scales, then least salt left behind. A linear programme; levels after a change are those of the
 * mixture, so a change counts by what it moves.
 *
 * @see Dantzig (1963), Linear Programming and Extensions; solved by the package yalps
 */
export function bestMix(given: MixGiven): Mix {
	const { water, rises, scale, atHand, change } = given;
	const salinity = levelOr(water, 'salinity').value;
	const t = levelOr(water, 'temperature').value;
	const volume = water.volumeL.value;
	const constraints = new Map<string, { equal?: number; max?: number }>();
	const variables = new Map<string, Map<string, number>>();
	// Amounts in units of what raises the water by about a scale, so that the simplex sees numbers of one size.
	const unit = new Map<string, number>();
	for (const { id, supplement } of atHand) {
		const effect = effectOf(supplement, 1, volume);
		const strongest = Math.max(...RAISED.map((p) => riseIn(effect, p) / scale[p]));
		if (!(strongest > 0)) continue;
		unit.set(id, 1 / strongest);
		const column = new Map<string, number>([
			['cost', SALT_WEIGHT * Math.max(0, salinityRise(effect, salinity, t)) * (1 / strongest) + 1e-6]
		]);
		for (const parameter of RAISED)
			column.set(parameter, riseIn(effect, parameter) / scale[parameter] / strongest);
		variables.set(`add ${id}`, column);
	}
	if (change && change.most > 0) {
		const column = new Map<string, number>([
			['cost', CHANGE_WEIGHT],
			['change', 1]
		]);
		for (const parameter of RAISED) {
			const level = water.levels[parameter]?.value;
			const into = change.newWater[parameter];
			if (level !== undefined && into !== undefined) column.set(parameter, (into - level) / scale[parameter]);
		}
		variables.set('change', column);
		constraints.set('change', { max: change.most });
	}
	for (const parameter of RAISED) {
		constraints.set(parameter, { equal: (rises[parameter] ?? 0) / scale[parameter] });
		// What is not aimed at may move, at a fifth of the price.
		const price = rises[parameter] === undefined ? 0.2 : 1;
		variables.set(
			`under ${parameter}`,
			new Map([
				[parameter, 1],
				['cost', price]
			])
		);
		variables.set(
			`over ${parameter}`,
			new Map([
				[parameter, -1],
				['cost', price]
			])
		);
	}
	const solution = solve({ direction: 'minimize', objective: 'cost', constraints, variables });
	const value = new Map(solution.variables);
	const amounts = atHand.flatMap(({ id }) => {
		const amount = (value.get(`add ${id}`) ?? 0) * (unit.get(id) ?? 0);
		return amount > 1e-9 ? [{ id, amount }] : [];
	});
	const changeShare = value.get('change') ?? 0;
	const effect = sumOfEffects(
		amounts.map(({ id, amount }) => [
			effectOf(atHand.find((a) => a.id === id)!.supplement, amount, volume),
			1
		])
	);
	const reached: Partial<Record<RaisedParameter, number>> = {};
	const short: { parameter: RaisedParameter; by: number }[] = [];
	for (const parameter of RAISED) {
		const level = water.levels[parameter]?.value ?? 0;
		const into = change?.newWater[parameter];
		const byChange = into === undefined ? 0 : changeShare * (into - level);
		const rise = riseIn(effect, parameter) + byChange;
		const wanted = rises[parameter];
		if (wanted === undefined) continue;
		reached[parameter] = level + rise;
		if (Math.abs(wanted - rise) > SHORT * scale[parameter]) short.push({ parameter, by: wanted - rise });
	}
	return { amounts, changeShare, reached, short, salinityRise: salinityRise(effect, salinity, t) };
}
