import { seededRandom, type Random } from '../numeric/index.ts';
import type { InputQuantity, MeasurementModel } from './model.ts';

export interface SimulatedInterval {
	readonly draws: number;
	readonly mean: number;
	readonly sd: number;
	/** 2.5 and 97.5 % of the draws lie below these. */
	readonly lower: number;
	readonly upper: number;
}

/** Least number of draws for a 95 % interval worth stating. @see JCGM 101:2008, 7.2.2 */
export const LEAST_DRAWS = 100_000;

const NORMAL = 0;
const RECTANGULAR = 1;
const TRIANGULAR = 2;
const CODE = { normal: NORMAL, rectangular: RECTANGULAR, triangular: TRIANGULAR } as const;

/** u of a rectangle is halfWidth/√3, of a triangle halfWidth/√6. */
function scaleOf({ shape, u }: InputQuantity): number {
	return shape === 'normal' ? u : shape === 'rectangular' ? u * Math.sqrt(3) : u * Math.sqrt(6);
}

/**
 * Propagation of distributions by Monte Carlo: draw every input from its own distribution, evaluate, repeat. Needed
 * where the model bends or is cut off (nothing holds less than nothing), and a check on the law of propagation
 * elsewhere. Seeded: the same model and seed give the same interval to the last digit.
 *
 * Drawn in parts, so that the caller can show progress and stop between them.
 *
 * @see JCGM 101:2008, clause 7
 */
export class Simulation {
	readonly #model: MeasurementModel;
	readonly #random: Random;
	readonly #outcomes: Float64Array;
	readonly #shape: Uint8Array;
	readonly #mean: Float64Array;
	readonly #scale: Float64Array;
	#done = 0;

	constructor(
		model: MeasurementModel,
		seed: number,
		readonly draws = 2 * LEAST_DRAWS
	) {
		if (!(Number.isInteger(draws) && draws >= 2)) throw new RangeError(`2 draws or more, not ${draws}`);
		this.#model = model;
		this.#random = seededRandom(seed);
		this.#outcomes = new Float64Array(draws);
		this.#shape = Uint8Array.from(model.inputs, (i) => CODE[i.shape]);
		this.#mean = Float64Array.from(model.inputs, (i) => i.mean);
		this.#scale = Float64Array.from(model.inputs, scaleOf);
	}

	get share(): number {
		return this.#done / this.draws;
	}

	/** Draws up to `most` more; false once all are drawn. */
	advance(most: number): boolean {
		const random = this.#random;
		const shape = this.#shape;
		const mean = this.#mean;
		const scale = this.#scale;
		const outcomes = this.#outcomes;
		const x = Float64Array.from(mean);
		const end = Math.min(this.draws, this.#done + most);
		for (let n = this.#done; n < end; n++) {
			for (let i = 0; i < x.length; i++) {
				const deviate =
					shape[i] === NORMAL
						? Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
						: shape[i] === RECTANGULAR
							? 2 * random() - 1
							: random() - random();
				x[i] = mean[i]! + scale[i]! * deviate;
			}
			outcomes[n] = this.#model.evaluate(x);
		}
		this.#done = end;
		return this.#done < this.draws;
	}

	/** @throws {Error} before all draws are done */
	summary(): SimulatedInterval {
		if (this.#done < this.draws) throw new Error('the simulation is not finished');
		const sorted = this.#outcomes.sort();
		const mean = sorted.reduce((sum, y) => sum + y, 0) / this.draws;
		const variance = sorted.reduce((sum, y) => sum + (y - mean) ** 2, 0) / (this.draws - 1);
		const at = (p: number) => sorted[Math.min(this.draws - 1, Math.floor(p * this.draws))]!;
		return { draws: this.draws, mean, sd: Math.sqrt(variance), lower: at(0.025), upper: at(0.975) };
	}
}

/** The whole simulation at once. */
export function simulate(model: MeasurementModel, seed: number, draws?: number): SimulatedInterval {
	const simulation = new Simulation(model, seed, draws);
	simulation.advance(simulation.draws);
	return simulation.summary();
}
