// How fast readings become results, against the same value and interval written as one flat function.
import { ALK_SYRINGE } from '../src/lib/core/method/index.ts';
import { seededRandom } from '../src/lib/core/numeric/index.ts';
import { simulate, type MeasurementModel } from '../src/lib/core/uncertainty/index.ts';
import { boundsOf, derive, type SyringeReading } from '../src/lib/core/reading/index.ts';

/** Few enough to stay in the processor's cache: what is measured is computing, not fetching. */
const READINGS = 2_000;
const REPEATS = 100;
const COUNT = READINGS * REPEATS;
const ROUNDS = 15;
const random = seededRandom(1);
const readings = Array.from({ length: READINGS }, (): SyringeReading => {
	const ml = Math.round(5 + 90 * random()) / 100;
	return {
		form: 'syringe',
		portion: 'full',
		readAs: 'left',
		fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
		sure: true
	};
});
const plain = readings.map((r) => r.fills[0]!.end.lowerMl);

/** The same arithmetic on plain numbers, without checks, budget, or words. */
function flat(leftMl: number): [value: number, lower: number, upper: number] {
	const perMl = (1000 * 0.03) / 6 / ((10 / 56.077) * 2);
	const value = perMl * (1 - leftMl - 0.015 / 2);
	const reading = (2 * 0.01 ** 2) / 12 + 0.015 ** 2 / 12 + 0.015 ** 2;
	const u = Math.sqrt(perMl ** 2 * reading + (2 * (value * 0.01) ** 2) / 3);
	return [value, Math.max(0, value - 2 * u), value + 2 * u];
}

function viaCore(): number {
	let sum = 0;
	for (let repeat = 0; repeat < REPEATS; repeat++) {
		for (const reading of readings) {
			const derived = derive(ALK_SYRINGE, reading);
			const result = derived.ok ? derived.value.outcomes[0].result : null;
			if (result?.kind !== 'value') throw new Error('no value');
			const { lower, upper } = boundsOf(result);
			sum += result.value + lower + upper!;
		}
	}
	return sum;
}
function viaFlat(): number {
	let sum = 0;
	for (let repeat = 0; repeat < REPEATS; repeat++) {
		for (const ml of plain) {
			const [value, lower, upper] = flat(ml);
			sum += value + lower + upper;
		}
	}
	return sum;
}

function fastest(work: () => number, rounds = ROUNDS): { perSecond: number; sum: number } {
	let best = Infinity;
	let sum = 0;
	for (let i = 0; i < rounds; i++) {
		const start = performance.now();
		sum = work();
		best = Math.min(best, performance.now() - start);
	}
	return { perSecond: (1000 * COUNT) / best, sum };
}
const core = fastest(viaCore);
const bare = fastest(viaFlat);
console.log(`sums: core ${core.sum.toFixed(6)}, flat ${bare.sum.toFixed(6)}`);
console.log(
	`a result through the core takes ${(bare.perSecond / core.perSecond).toFixed(1)} times the flat function (aim: at most 15)`
);

/** The model of a titration, whose inputs are drawn by the simulation. */
function modelOfOne(): MeasurementModel {
	const derived = derive(ALK_SYRINGE, readings[0]!);
	const model = derived.ok ? derived.value.outcomes[0].model : null;
	if (!model) throw new Error('no model');
	return model;
}

const DRAWS = 400_000;
const model = modelOfOne();

/** The same random numbers drawn in a bare loop, and nothing done with them but adding up. */
function bareDraws(): number {
	const draw = seededRandom(3);
	let sum = 0;
	for (let n = 0; n < DRAWS; n++) {
		for (let i = 0; i < model.inputs.length; i++) {
			const { shape } = model.inputs[i]!;
			sum +=
				shape === 'normal'
					? Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw())
					: shape === 'rectangular'
						? 2 * draw() - 1
						: draw() - draw();
		}
	}
	return sum;
}
const simulated = fastest(() => simulate(model, 3, DRAWS).mean, 5);
const drawn = fastest(bareDraws, 5);
console.log(
	`a simulation of ${model.inputs.length} inputs takes ${(drawn.perSecond / simulated.perSecond).toFixed(1)} times a bare loop drawing the same numbers (aim: at most 3)`
);
