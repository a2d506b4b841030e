import { diluted } from '../../method/index.ts';
import { PARAMETERS, POSSIBLE, POSSIBLE_IN_WATER, type ParameterId } from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import type { MeasurementModel, UncertaintyComponent } from '../../uncertainty/index.ts';
import { faultOnScale } from '../form/check-number.ts';
import type { Dilution } from '../form/raw-reading.ts';
import type { ArithmeticLine, Outcome } from './outcome.ts';
import { boundsOf, withUsualCoverage, type TestResult } from './test-result.ts';

/** They do not become less by as much as the sample is thinned: a buffer, a temperature, a density. */
const UNDILUTABLE: ReadonlySet<ParameterId> = new Set<ParameterId>(['ph', 'temperature', 'salinity']);

/** A result of a thinned sample, brought back to the sample as it was; steps, bounds and uncertainty scale with it. */
class DilutedOutcome implements Outcome {
	constructor(
		private readonly measured: Outcome,
		private readonly dilution: Dilution,
		private readonly relativeU: number,
		readonly result: TestResult
	) {}
	private get factor(): number {
		return factorOf(this.dilution);
	}
	get components(): readonly UncertaintyComponent[] {
		const { result } = this;
		if (result.kind === 'bound') return [];
		const value = result.kind === 'value' ? result.value : (result.lower + result.upper) / 2;
		return [
			...this.measured.components.map((c) => ({ ...c, u: c.u * this.factor })),
			{ source: 'dilution', repeats: 'random', u: Math.abs(value) * this.relativeU }
		];
	}
	get arithmetic(): readonly ArithmeticLine[] {
		const { result } = this.measured;
		const number = (r: TestResult) =>
			r.kind === 'value' ? r.value : r.kind === 'bound' ? r.limit : (r.best ?? (r.lower + r.upper) / 2);
		return [
			...this.measured.arithmetic,
			{ kind: 'dilution', factor: this.factor, measured: number(result), value: number(this.result) }
		];
	}
	get model(): MeasurementModel | null {
		const { model } = this.measured;
		if (!model) return null;
		const n = model.inputs.length;
		const D = this.factor;
		const { diluentHolds } = this.dilution;
		return {
			inputs: [
				...model.inputs,
				{ source: 'dilution', repeats: 'random', shape: 'triangular', mean: 1, u: this.relativeU }
			],
			evaluate: (x) => Math.max(0, D * model.evaluate(x) * x[n]! - (D - 1) * diluentHolds)
		};
	}
}

function factorOf({ sampleMl, diluentMl }: Dilution): number {
	return diluted(0, sampleMl, diluentMl).factor;
}

/**
 * Brings a measured outcome back through a dilution: C = D·C_m − (D − 1)·C_w. Two volumes were measured for it, each to
 * the tolerance of a drawn sample: u(D)/D = √2·(D − 1)/D·u(V)/V.
 */
export function throughDilution(
	measured: Outcome,
	dilution: Dilution | undefined,
	relativeTolerance: number
): Result<Outcome> {
	if (!dilution) return ok(measured);
	const { parameter } = measured.result;
	if (UNDILUTABLE.has(parameter)) {
		return fail('cannot-be-diluted', 'dilution', { what: PARAMETERS[parameter].name });
	}
	const volume = { least: 0, most: 1000, unit: 'mL' };
	const fault =
		faultOnScale(dilution.sampleMl, 'dilution.sampleMl', { ...volume, least: 0.05 }) ??
		faultOnScale(dilution.diluentMl, 'dilution.diluentMl', volume) ??
		faultOnScale(factorOf(dilution), 'dilution', POSSIBLE.dilutedParts);
	if (fault) return { ok: false, fault };
	const D = factorOf(dilution);
	const { diluentHolds } = dilution;
	const most = POSSIBLE_IN_WATER[parameter].most;
	const holds = faultOnScale(diluentHolds, 'dilution.diluentHolds', { least: 0, most, unit: '' });
	if (holds) return { ok: false, fault: holds };
	// What the water for thinning brings along is part of what the thinned sample shows, never more.
	const { result: shown } = measured;
	const upper = shown.kind === 'bound' ? shown.limit : (boundsOf(shown).upper ?? Infinity);
	if (D > 1 && diluentHolds > 0 && D * upper <= (D - 1) * diluentHolds) {
		return fail('diluent-holds-more', 'dilution.diluentHolds');
	}
	const back = (x: number) => Math.max(0, D * x - (D - 1) * diluentHolds);
	const relativeU = (Math.SQRT2 * (D - 1) * relativeTolerance) / (D * Math.sqrt(3));
	const { result } = measured;
	const scaled = (): TestResult => {
		switch (result.kind) {
			case 'value': {
				const value = back(result.value);
				return {
					...withUsualCoverage(result),
					value,
					uRandom: Math.hypot(D * result.uRandom, value * relativeU),
					uCommon: D * result.uCommon
				};
			}
			case 'interval': {
				const lower = back(result.lower);
				const upper = back(result.upper);
				return {
					...result,
					lower,
					upper,
					best: result.best === null ? null : back(result.best),
					uRandom: Math.hypot(D * result.uRandom, ((lower + upper) / 2) * relativeU),
					uCommon: D * result.uCommon
				};
			}
			case 'bound':
				return { ...result, limit: back(result.limit) };
		}
	};
	return ok(new DilutedOutcome(measured, dilution, relativeU, scaled()));
}
