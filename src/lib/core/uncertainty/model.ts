import type { UncertaintyComponent, UncertaintySource } from './budget.ts';
import { splitByRepeat } from './budget.ts';

/** One thing that a result depends on and that is not known exactly. */
export interface InputQuantity {
	readonly source: UncertaintySource;
	readonly repeats: 'random' | 'common';
	readonly shape: 'normal' | 'rectangular' | 'triangular';
	readonly mean: number;
	/** Standard uncertainty, in the unit of the mean. */
	readonly u: number;
}

/** A measurement as the guides see it: uncertain inputs, and a function that turns them into the result. */
export interface MeasurementModel {
	readonly inputs: readonly InputQuantity[];
	/** @param x one number per input, in their order */
	evaluate(x: ArrayLike<number>): number;
}

export interface Propagated {
	readonly value: number;
	readonly components: readonly UncertaintyComponent[];
	readonly uRandom: number;
	readonly uCommon: number;
}

/**
 * Law of propagation: each input is moved by its standard uncertainty up and down, and half the difference is what it
 * gives the result. Exact for models that are straight in each input.
 *
 * @see JCGM 100:2008, 5.1.2 and the note of 5.1.3
 */
export function propagate(model: MeasurementModel): Propagated {
	const x = Float64Array.from(model.inputs, (i) => i.mean);
	const value = model.evaluate(x);
	const components: UncertaintyComponent[] = [];
	model.inputs.forEach(({ source, repeats, mean, u }, i) => {
		if (!(u > 0)) return;
		x[i] = mean + u;
		const up = model.evaluate(x);
		x[i] = mean - u;
		const down = model.evaluate(x);
		x[i] = mean;
		components.push({ source, repeats, u: Math.abs(up - down) / 2 });
	});
	const merged = mergeBySource(components);
	return { value, components: merged, ...splitByRepeat(merged) };
}

/** Several looks at one scale are one line of the budget. */
function mergeBySource(components: readonly UncertaintyComponent[]): UncertaintyComponent[] {
	const merged = new Map<string, UncertaintyComponent>();
	for (const c of components) {
		if (!(c.u > 0)) continue;
		const key = `${c.source}/${c.repeats}`;
		const known = merged.get(key);
		merged.set(key, known ? { ...c, u: Math.hypot(known.u, c.u) } : c);
	}
	return [...merged.values()];
}
