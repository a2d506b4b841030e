import {
	MG_PER_CA_AS_MG,
	sampleOf,
	stepsFor,
	titrantReagentOf,
	titrationsOf,
	worthAt,
	type Method,
	type Portion,
	type Titration
} from '../method/index.ts';
import { bisect } from '../numeric/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { USUAL_LEVELS } from './usual-levels.ts';

/** What a reagent is measured in: a liquid in millilitres, a powder in scoops. */
export type AmountUnit = 'ml' | 'scoops';

export interface Amount {
	readonly reagent: string;
	readonly unit: AmountUnit;
	readonly amount: number;
}

export interface UseHabits {
	/** Unused titrant goes back into its bottle; else a whole filling is gone with every test. */
	readonly putsBack: boolean;
	/** What the water holds, canonical units; where it is not said, what waters usually hold. */
	readonly levels: Readonly<Partial<Record<ParameterId, number>>>;
}

/** A drop of a reagent that is not titrated with, mL: no method says it, so it is taken as usual. */
const USUAL_DROP_ML = 0.04;

/** Titrant for a value, in the meter's unit, as far as the leaflet reaches; half of what a table covers without one. */
function titrantFor(titration: Titration, value: number, sampleMl: number, fullMl: number): number {
	const { meter, worth } = titration;
	const most = meter.kind === 'syringe' ? 3 * meter.capacityMl : 200;
	const valueAt = (volume: number) => {
		const line = worthAt(titration, volume, sampleMl, fullMl);
		return 'sense' in line ? line.limit : line.atZero + line.perUnit * volume;
	};
	if (worth.by === 'table') {
		const xs = worth.points.map(([x]) => x);
		const capacity = meter.kind === 'syringe' ? meter.capacityMl : 0;
		const ends = [Math.min(...xs), Math.max(...xs)].map((x) => (worth.reads === 'left' ? capacity - x : x));
		const [low, high] = [Math.min(...ends), Math.max(...ends)];
		try {
			return bisect((v) => valueAt(v) - value, low, high);
		} catch {
			return (low + high) / 2;
		}
	}
	const { atZero, perUnit } = { atZero: valueAt(0), perUnit: valueAt(1) - valueAt(0) };
	return Math.min(most, Math.max(0, (value - atZero) / perUnit));
}

/** What is titrated: the parameter itself, or with calcium where that is taken off afterwards. */
function totalOf(method: Method, parameter: ParameterId, levels: UseHabits['levels']): number {
	const level = (p: ParameterId) => levels[p] ?? USUAL_LEVELS[p];
	return method.kind === 'difference'
		? level(parameter) + MG_PER_CA_AS_MG * level(method.subtract.parameter)
		: level(parameter);
}

/**
 * What one test takes from each bottle.
 *
 * @returns reagents in the order in which they are first used; empty where the steps name none
 */
export function usePerTest(method: Method, portion: Portion, habits: UseHabits): readonly Amount[] {
	const taken = new Map<string, Amount>();
	const take = (reagent: string | null | undefined, unit: AmountUnit, amount: number) => {
		if (!reagent || !(amount > 0)) return;
		const before = taken.get(reagent)?.amount ?? 0;
		taken.set(reagent, { reagent, unit, amount: before + amount });
	};
	const titrations = titrationsOf(method);
	const sampleMl = sampleOf(method, portion) ?? 1;
	const fullMl = method.sampleMl?.full ?? 1;
	for (const step of stepsFor(method, portion)) {
		const { action } = step;
		if (action.kind === 'drops') take(step.reagent, 'ml', action.count * USUAL_DROP_ML);
		if (action.kind === 'scoops') take(step.reagent, 'scoops', action.count);
		if (action.kind === 'measure') take(step.reagent, 'ml', action.ml ?? 0);
		if (action.kind !== 'titrate') continue;
		const which = action.titration ?? 0;
		const titration = titrations[which];
		if (!titration) continue;
		const level = totalOf(method, titration.parameter, habits.levels);
		const volume = titrantFor(titration, level, sampleMl, fullMl);
		const { meter } = titration;
		const reagent = titrantReagentOf(method, which);
		if (meter.kind === 'drops') take(reagent, 'ml', volume * meter.dropMl);
		else if (habits.putsBack) take(reagent, 'ml', volume);
		else take(reagent, 'ml', Math.max(1, Math.ceil(volume / meter.capacityMl)) * meter.capacityMl);
	}
	return [...taken.values()];
}
