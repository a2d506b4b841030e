import { nearlyEqual, roundTo } from '../numeric/index.ts';
import { PARAMETERS } from '../quantity/index.ts';
import { ok, type Result } from '../result/index.ts';
import type { UncertaintyComponent } from '../uncertainty/index.ts';
import { resultPerMl, type Portion, type SyringeMethod } from '../method/index.ts';
import { deliveredByFill } from './delivered.ts';
import { faultInSyringeReading, type SyringeReading } from './syringe-reading.ts';
import type { TestResult } from './test-result.ts';
import { componentsOf, TitrationBudget, type TitrationKit } from './titration-budget.ts';

/** Raised whenever the arithmetic below changes; results keep the version they were derived by. */
export const DERIVATION_VERSION = 1;

/** One line of the arithmetic, to be put into words by `format/`. Volumes in mL. */
export type ArithmeticLine =
	| {
			readonly kind: 'fill';
			readonly readAs: 'left' | 'used';
			readonly startMl: number;
			readonly endMl: number;
			readonly usedMl: number;
	  }
	| { readonly kind: 'total'; readonly usedMl: number }
	| { readonly kind: 'half-last-drop'; readonly dropMl: number; readonly remainingMl: number }
	| {
			readonly kind: 'worth';
			readonly perMl: number;
			readonly sampleMl: number;
			readonly titrantMolPerL: number;
			readonly volumeMl: number;
			readonly value: number;
	  };

/** A result and where it came from; budget and arithmetic are only written out when somebody looks at them. */
export class Derivation {
	constructor(
		private readonly method: SyringeMethod,
		private readonly reading: SyringeReading,
		readonly usedMl: number,
		readonly result: TestResult
	) {}

	/** Standard uncertainties by source; empty for a bound, which has no budget. */
	get components(): readonly UncertaintyComponent[] {
		if (this.result.kind !== 'value') return [];
		return componentsOf(budgetOf(this.method, this.reading, this.usedMl));
	}

	get arithmetic(): readonly ArithmeticLine[] {
		const { readAs, fills, portion } = this.reading;
		const lines: ArithmeticLine[] = fills.map(({ startMl, end }) => {
			const read = (end.lowerMl + end.upperMl) / 2;
			const endMl = roundTo(readAs === 'left' ? read : startMl - read, 1e-6);
			return { kind: 'fill', readAs, startMl, endMl, usedMl: roundTo(startMl - endMl, 1e-6) };
		});
		if (fills.length > 1) lines.push({ kind: 'total', usedMl: this.usedMl });
		if (this.result.kind === 'value') {
			const { tipDropMl } = this.method.syringe;
			const remainingMl = Math.max(0, this.usedMl - tipDropMl / 2);
			lines.push(
				{ kind: 'half-last-drop', dropMl: tipDropMl, remainingMl },
				{
					kind: 'worth',
					perMl: resultPerMl(this.method, portion),
					sampleMl: this.method.sampleMl[portion],
					titrantMolPerL: this.method.titrant.molPerL,
					volumeMl: remainingMl,
					value: this.result.value
				}
			);
		}
		return lines;
	}
}

/** Σ w² over all looks at the scale: each filling has one at its start and one at its end. */
function squaredWidthsOf(reading: SyringeReading, graduationMl: number): number {
	let sum = 0;
	for (let i = 0; i < reading.fills.length; i++) {
		const { end } = reading.fills[i]!;
		const endWidth = Math.max(graduationMl, end.upperMl - end.lowerMl);
		sum += graduationMl * graduationMl + endWidth * endWidth;
	}
	return sum;
}

/** Kits are few and their readings many: what follows from a method alone is worked out once. */
const kits = new WeakMap<SyringeMethod, Partial<Record<Portion, TitrationKit>>>();

function kitOf(method: SyringeMethod, portion: Portion): TitrationKit {
	let known = kits.get(method);
	if (!known) kits.set(method, (known = {}));
	const sampleMl = method.sampleMl[portion];
	return (known[portion] ??= {
		resultPerMl: resultPerMl(method, portion),
		incrementMl: method.syringe.tipDropMl,
		endPointUMl: method.endPointUMl,
		sampleMl,
		sampleToleranceMl: method.sampleRelativeTolerance * sampleMl,
		chartStep: 0,
		titrantRelativeTolerance: method.titrant.relativeTolerance,
		factor: 1,
		factorRelativeU: 0,
		midpoint: true,
		sampleShape: 'rect',
		graduationShape: 'rect'
	});
}

function budgetOf(method: SyringeMethod, reading: SyringeReading, usedMl: number): TitrationBudget {
	const { graduationMl } = method.syringe;
	return new TitrationBudget(
		kitOf(method, reading.portion),
		usedMl,
		squaredWidthsOf(reading, graduationMl),
		reading.sure ? 0 : graduationMl
	);
}

/**
 * Turns a raw syringe reading into a result with its budget. Half the last drop is taken off, since the
 * colour turned somewhere within it. A colour that had turned before anything was added is a bound: less
 * than one drop is worth.
 *
 * @returns in the parameter's canonical unit; fails as `faultInSyringeReading` does
 */
export function deriveSyringeResult(method: SyringeMethod, reading: SyringeReading): Result<Derivation> {
	const fault = faultInSyringeReading(method, reading);
	if (fault) return { ok: false, fault };
	const { parameter } = method;
	const unit = PARAMETERS[parameter].canonicalUnit;

	let sum = 0;
	for (let i = 0; i < reading.fills.length; i++) {
		const { startMl, end } = reading.fills[i]!;
		const read = (end.lowerMl + end.upperMl) / 2;
		sum += reading.readAs === 'left' ? deliveredByFill(startMl, read, 0) : read;
	}
	const usedMl = roundTo(sum, 1e-6);
	if (nearlyEqual(usedMl, 0)) {
		const limit = resultPerMl(method, reading.portion) * method.syringe.tipDropMl;
		return ok(new Derivation(method, reading, usedMl, { kind: 'bound', parameter, unit, sense: '<', limit }));
	}
	const { value, uRandom, uCommon } = budgetOf(method, reading, usedMl);
	const result: TestResult = {
		kind: 'value',
		parameter,
		unit,
		// A reading of less than half a drop cannot mean less than nothing.
		value: Math.max(0, value),
		uRandom,
		uCommon
	};
	return ok(new Derivation(method, reading, usedMl, result));
}
