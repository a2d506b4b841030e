import { correctedValue, type KitCorrection } from '../../method/index.ts';
import { POSSIBLE_IN_WATER } from '../../quantity/index.ts';
import {
	splitByRepeat,
	type MeasurementModel,
	type UncertaintyComponent,
	type UncertaintySource
} from '../../uncertainty/index.ts';
import type { ArithmeticLine, Outcome } from './outcome.ts';
import { middleOf, withUsualCoverage, type TestResult } from './test-result.ts';

/**
 * What a check on a standard has measured together with the kit, so that the kit's own claim about it no longer
 * counts. The sample syringe and a printed chart stay: they are not the same at every reading.
 */
const MEASURED_BY_CHECK: ReadonlySet<UncertaintySource> = new Set([
	'titrant',
	'drop-size',
	'excess-reagent',
	'filtrate',
	'accuracy',
	'scale-calibration'
]);

const isSettled = (part: { readonly source: UncertaintySource; readonly repeats: string }) =>
	part.repeats === 'common' && MEASURED_BY_CHECK.has(part.source);

class CorrectedOutcome implements Outcome {
	constructor(
		private readonly read: Outcome,
		private readonly correction: KitCorrection,
		readonly result: TestResult
	) {}

	get components(): readonly UncertaintyComponent[] {
		if (this.result.kind === 'bound') return [];
		return correctedComponents(this.read, this.correction);
	}
	get arithmetic(): readonly ArithmeticLine[] {
		return [
			...this.read.arithmetic,
			{
				kind: 'check',
				parameter: this.result.parameter,
				correction: this.correction,
				read: middleOf(this.read.result),
				value: middleOf(this.result)
			}
		];
	}
	get model(): MeasurementModel | null {
		const { model } = this.read;
		if (!model) return null;
		const { correction } = this;
		const n = model.inputs.length;
		const least = leastOf(this.result);
		return {
			inputs: [
				...model.inputs.map((i) => (isSettled(i) ? { ...i, u: 0 } : i)),
				{ source: 'factor', repeats: 'common', shape: 'normal', mean: 0, u: 1 }
			],
			evaluate(x) {
				const corrected = correctedValue(correction, model.evaluate(x));
				return Math.max(least, corrected.value + corrected.u * x[n]!);
			}
		};
	}
}

const leastOf = ({ parameter }: TestResult) => Math.min(0, POSSIBLE_IN_WATER[parameter].least);

function correctedComponents(read: Outcome, correction: KitCorrection): UncertaintyComponent[] {
	const { slope, u } = correctedValue(correction, middleOf(read.result));
	const kept = read.components.filter((c) => !isSettled(c)).map((c) => ({ ...c, u: c.u * Math.abs(slope) }));
	return u > 0 ? [...kept, { source: 'factor', repeats: 'common', u }] : kept;
}

/**
 * What a kit that was checked on standards says of the same reading. Scatter scales with the correction; of what is
 * common to all readings, strength of titrant, size of drops and accuracy of a display give way to the check's own
 * uncertainty. Nothing is stored in it that the reading did not bring, so leaving the correction out again gives
 * the first outcome to the last bit.
 *
 * @param read the outcome without a correction, canonical unit
 */
export function correctedOutcome(read: Outcome, correction: KitCorrection): Outcome {
	const { result } = read;
	const least = leastOf(result);
	const correct = (x: number) => Math.max(least, correctedValue(correction, x).value);
	if (result.kind === 'bound') {
		return new CorrectedOutcome(read, correction, { ...result, limit: correct(result.limit) });
	}
	const uncertainty = splitByRepeat(correctedComponents(read, correction));
	const corrected: TestResult =
		result.kind === 'value'
			? { ...withUsualCoverage(result), value: correct(result.value), ...uncertainty }
			: {
					...result,
					lower: correct(result.lower),
					upper: correct(result.upper),
					best: result.best === null ? null : correct(result.best),
					...uncertainty
				};
	return new CorrectedOutcome(read, correction, corrected);
}
