import { MG_PER_CA_AS_MG, type DifferenceMethod } from '../../method/index.ts';
import { POSSIBLE_IN_WATER } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import {
	COVERAGE,
	standardUncertaintyOf,
	type MeasurementModel,
	type UncertaintyComponent
} from '../../uncertainty/index.ts';
import type { ArithmeticLine, Derivation, Outcome } from '../outcome/outcome.ts';
import type { ValueResult } from '../outcome/test-result.ts';
import { deriveTitration } from '../titration/derive-titration.ts';
import type { TitrationSample } from '../titration/titration-budget.ts';
import { faultOnScale } from './check-number.ts';
import type { KnownReader } from './known-reader.ts';
import type { DifferenceReading } from './raw-reading.ts';

class DifferenceOutcome implements Outcome {
	constructor(
		private readonly total: Outcome,
		private readonly subtract: DifferenceReading['subtract'],
		private readonly weight: number,
		readonly result: ValueResult
	) {}
	private get carried(): readonly UncertaintyComponent[] {
		const { uRandom, uCommon } = this.subtract;
		const source = 'subtracted-ion' as const;
		return [
			{ source, repeats: 'random' as const, u: this.weight * uRandom },
			{ source, repeats: 'common' as const, u: this.weight * uCommon }
		].filter((c) => c.u > 0);
	}
	get components(): readonly UncertaintyComponent[] {
		return [...this.total.components, ...this.carried];
	}
	get arithmetic(): readonly ArithmeticLine[] {
		const total = this.total.result.kind === 'value' ? this.total.result.value : 0;
		const { value: subtracted } = this.subtract;
		return [
			...this.total.arithmetic,
			{ kind: 'subtract', total, subtracted, weight: this.weight, value: this.result.value }
		];
	}
	get model(): MeasurementModel | null {
		const { model } = this.total;
		if (!model) return null;
		const n = model.inputs.length;
		const { value, uRandom, uCommon } = this.subtract;
		return {
			inputs: [
				...model.inputs,
				{ source: 'subtracted-ion', repeats: 'random', shape: 'normal', mean: value, u: uRandom },
				{ source: 'subtracted-ion', repeats: 'common', shape: 'normal', mean: 0, u: uCommon }
			],
			evaluate: (x) => Math.max(0, model.evaluate(x) - this.weight * (x[n]! + x[n + 1]!))
		};
	}
}

/**
 * A total less another ion's own result. By moles one milligram of calcium stands for 0.6064 of magnesium; a leaflet
 * that says so subtracts milligrams plainly. u² = u²(total) + (w·u(Ca))².
 *
 * @returns fails where more calcium is taken off than the total holds
 */
export function deriveDifference(
	method: DifferenceMethod,
	sample: TitrationSample,
	reading: DifferenceReading,
	reader: KnownReader
): Result<Derivation> {
	const { subtract } = reading;
	const { most } = POSSIBLE_IN_WATER[method.subtract.parameter];
	for (const key of ['value', 'uRandom', 'uCommon'] as const) {
		const fault = faultOnScale(subtract[key], `subtract.${key}`, { least: 0, most, unit: 'mg/L' });
		if (fault) return { ok: false, fault };
	}
	const total = deriveTitration(method.titration, sample, reading, { endPoint: reading.endPoint, reader });
	if (!total.ok) return total;
	const { result } = total.value;
	if (result.kind !== 'value') return ok({ outcomes: [total.value] });
	const weight = method.subtract.by === 'moles' ? MG_PER_CA_AS_MG : 1;
	const value = result.value - weight * subtract.value;
	const uRandom = Math.hypot(result.uRandom, weight * subtract.uRandom);
	const uCommon = Math.hypot(result.uCommon, weight * subtract.uCommon);
	if (value < -COVERAGE * standardUncertaintyOf({ uRandom, uCommon })) {
		return fail('less-than-nothing', 'subtract', { total: Math.round(result.value), off: subtract.value });
	}
	const difference: ValueResult = { ...result, value: Math.max(0, value), uRandom, uCommon };
	return ok({ outcomes: [new DifferenceOutcome(total.value, subtract, weight, difference)] });
}
