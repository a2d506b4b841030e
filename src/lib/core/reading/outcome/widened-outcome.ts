import { POSSIBLE_IN_WATER } from '../../quantity/index.ts';
import { splitByRepeat, type MeasurementModel, type UncertaintyComponent } from '../../uncertainty/index.ts';
import type { ArithmeticLine, Outcome } from './outcome.ts';
import { middleOf, withUsualCoverage, type TestResult } from './test-result.ts';

/** From the standard uncertainty of something evenly spread to its half-width. */
const HALF_WIDTH = Math.sqrt(3);

class WidenedOutcome implements Outcome {
	constructor(
		private readonly read: Outcome,
		private readonly relativeU: number,
		readonly result: TestResult
	) {}

	get components(): readonly UncertaintyComponent[] {
		return this.result.kind === 'bound' ? [] : widenedComponents(this.read, this.relativeU);
	}
	get arithmetic(): readonly ArithmeticLine[] {
		return this.read.arithmetic;
	}
	get model(): MeasurementModel | null {
		const { model } = this.read;
		if (!model) return null;
		const n = model.inputs.length;
		return {
			inputs: [
				...model.inputs,
				{ source: 'deviation', repeats: 'random', shape: 'rectangular', mean: 0, u: this.relativeU }
			],
			evaluate: (x) => model.evaluate(x) * (1 + x[n]!)
		};
	}
}

const widenedComponents = (read: Outcome, relativeU: number): UncertaintyComponent[] => [
	...read.components,
	{ source: 'deviation', repeats: 'random', u: relativeU * Math.abs(middleOf(read.result)) }
];

/**
 * The same outcome, less certain because the test was not done as written. The value stays; a value's uncertainty, an
 * interval's ends and a bound move away from it.
 *
 * @param relativeU standard uncertainty of what went otherwise, relative to the value
 */
export function widenedOutcome(read: Outcome, relativeU: number): Outcome {
	if (!(relativeU > 0)) return read;
	const { result } = read;
	const least = Math.min(0, POSSIBLE_IN_WATER[result.parameter].least);
	const half = HALF_WIDTH * relativeU;
	if (result.kind === 'bound') {
		const limit =
			result.sense === '<' ? result.limit * (1 + half) : Math.max(least, result.limit * (1 - half));
		return new WidenedOutcome(read, relativeU, { ...result, limit });
	}
	const uncertainty = splitByRepeat(widenedComponents(read, relativeU));
	const widened: TestResult =
		result.kind === 'value'
			? { ...withUsualCoverage(result), ...uncertainty }
			: {
					...result,
					lower: Math.max(least, result.lower * (1 - half)),
					upper: result.upper * (1 + half),
					...uncertainty
				};
	return new WidenedOutcome(read, relativeU, widened);
}
