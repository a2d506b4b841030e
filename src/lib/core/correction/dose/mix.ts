import { solve } from 'yalps';
import { levelOr, type WaterNow } from '../water-state.ts';
import { salinityRise } from './chemistry-after.ts';
import { sumOfEffects, type DoseEffect } from './dose.ts';
import { effectOf, RAISED, riseIn, type RaisedParameter, type Supplement } from './supplement.ts';

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

/** A linear programme as the solver takes it. */
class Programme {
	readonly constraints = new Map<string, { equal?: number; max?: number }>();
	readonly variables = new Map<string, Map<string, number>>();
	/** Amounts are counted in what raises the water by about a scale, so that the simplex sees numbers of one size. */
	readonly unitOf = new Map<string, number>();

	constructor(private readonly given: MixGiven) {
		for (const one of given.atHand) this.#addSupplement(one);
		if (given.change && given.change.most > 0) this.#addChange(given.change);
		for (const parameter of RAISED) this.#addWish(parameter);
	}

	#addSupplement({ id, supplement }: AtHand): void {
		const { water, scale } = this.given;
		const effect = effectOf(supplement, 1, water.volumeL.value);
		const strongest = Math.max(...RAISED.map((p) => riseIn(effect, p) / scale[p]));
		if (!(strongest > 0)) return;
		this.unitOf.set(id, 1 / strongest);
		const salt = Math.max(0, saltOf(water, effect));
		const column = new Map<string, number>([['cost', (SALT_WEIGHT * salt) / strongest + 1e-6]]);
		for (const parameter of RAISED)
			column.set(parameter, riseIn(effect, parameter) / scale[parameter] / strongest);
		this.variables.set(`add ${id}`, column);
	}

	#addChange({ most, newWater }: NonNullable<MixGiven['change']>): void {
		const { water, scale } = this.given;
		const column = new Map<string, number>([
			['cost', CHANGE_WEIGHT],
			['change', 1]
		]);
		for (const parameter of RAISED) {
			const level = water.levels[parameter]?.value;
			const into = newWater[parameter];
			if (level !== undefined && into !== undefined) column.set(parameter, (into - level) / scale[parameter]);
		}
		this.variables.set('change', column);
		this.constraints.set('change', { max: most });
	}

	#addWish(parameter: RaisedParameter): void {
		const { rises, scale } = this.given;
		this.constraints.set(parameter, { equal: (rises[parameter] ?? 0) / scale[parameter] });
		// What is not aimed at may move, at a fifth of the price.
		const cost = rises[parameter] === undefined ? 0.2 : 1;
		const off = (side: 1 | -1) =>
			new Map([
				[parameter, side],
				['cost', cost]
			]);
		this.variables.set(`under ${parameter}`, off(1));
		this.variables.set(`over ${parameter}`, off(-1));
	}

	solved(): ReadonlyMap<string, number> {
		const { constraints, variables } = this;
		return new Map(solve({ direction: 'minimize', objective: 'cost', constraints, variables }).variables);
	}
}

/** By how much an addition makes the water saltier. */
function saltOf(water: WaterNow, effect: DoseEffect): number {
	return salinityRise(effect, levelOr(water, 'salinity').value, levelOr(water, 'temperature').value);
}

/**
 * The best mix of what is at hand, with a water change where one is made: least deviation from the wanted rises,
 * counted by their scales, then least salt left behind. A linear programme; levels after a change are those of the
 * mixture, so a change counts by what it moves.
 *
 * @see Dantzig (1963), Linear Programming and Extensions; solved by the package yalps
 */
export function bestMix(given: MixGiven): Mix {
	const { water, rises, scale, atHand, change } = given;
	const programme = new Programme(given);
	const value = programme.solved();
	const added = atHand.flatMap(({ id, supplement }) => {
		const amount = (value.get(`add ${id}`) ?? 0) * (programme.unitOf.get(id) ?? 0);
		return amount > 1e-9 ? [{ id, supplement, amount }] : [];
	});
	const changeShare = value.get('change') ?? 0;
	const effect = sumOfEffects(
		added.map(({ supplement, amount }) => [effectOf(supplement, amount, water.volumeL.value), 1])
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
	const amounts = added.map(({ id, amount }) => ({ id, amount }));
	return { amounts, changeShare, reached, short, salinityRise: saltOf(water, effect) };
}
