import { nearlyEqual, roundTo } from '../numeric/index.ts';
import { PARAMETERS } from '../quantity/index.ts';
import { ok, type Result } from '../result/index.ts';
import { splitByRepeat, type UncertaintyComponent } from '../uncertainty/index.ts';
import { resultPerMl, type SyringeMethod } from '../method/index.ts';
import { deliveredMl } from './delivered.ts';
import { checkSyringeReading, fillsOf, type SyringeReading } from './syringe-reading.ts';
import type { TestResult } from './test-result.ts';
import { titrationBudget } from './titration-budget.ts';

/** Raised whenever the arithmetic below changes; results keep the version they were derived by. */
export const DERIVATION_VERSION = 1;

/** One line of the arithmetic, to be put into words by `format/`. Volumes in mL. */
export type ArithmeticLine =
	| { readonly kind: 'fill'; readonly startMl: number; readonly endMl: number; readonly usedMl: number }
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

export interface Derivation {
	readonly result: TestResult;
	readonly usedMl: number;
	readonly components: readonly UncertaintyComponent[];
	readonly arithmetic: readonly ArithmeticLine[];
}

/**
 * Turns a raw syringe reading into a result with its budget. Half the last drop is taken off, since the
 * colour turned somewhere within it. A colour that had turned before anything was added is a bound: less
 * than one drop is worth.
 *
 * @returns in the parameter's canonical unit; fails as `checkSyringeReading` does
 */
export function deriveSyringeResult(method: SyringeMethod, reading: SyringeReading): Result<Derivation> {
	const checked = checkSyringeReading(method, reading);
	if (!checked.ok) return checked;
	const fills = fillsOf(reading);
	const delivered = deliveredMl(fills);
	if (!delivered.ok) return delivered;

	const usedMl = roundTo(delivered.value, 1e-6);
	const perMl = resultPerMl(method, reading.portion);
	const sampleMl = method.sampleMl[reading.portion];
	const { graduationMl, tipDropMl } = method.syringe;
	const measured = { parameter: method.parameter, unit: PARAMETERS[method.parameter].canonicalUnit };
	const arithmetic: ArithmeticLine[] = fills.map(({ startMl, endMl }) => ({
		kind: 'fill',
		startMl,
		endMl,
		usedMl: roundTo(startMl - endMl, 1e-6)
	}));
	if (fills.length > 1) arithmetic.push({ kind: 'total', usedMl });

	if (nearlyEqual(usedMl, 0)) {
		const result: TestResult = { ...measured, kind: 'bound', sense: '<', limit: perMl * tipDropMl };
		return ok({ result, usedMl, components: [], arithmetic });
	}

	const budget = titrationBudget({
		resultPerMl: perMl,
		usedMl,
		scaleWidthsMl: reading.fills.flatMap(({ end }) => [
			graduationMl,
			Math.max(graduationMl, end.upperMl - end.lowerMl)
		]),
		incrementMl: tipDropMl,
		endPointUMl: method.endPointUMl,
		doubtHalfWidthMl: reading.sure ? 0 : graduationMl,
		sampleMl,
		sampleToleranceMl: method.sampleRelativeTolerance * sampleMl,
		titrantRelativeTolerance: method.titrant.relativeTolerance,
		midpoint: true
	});
	// A reading of less than half a drop cannot mean less than nothing.
	const value = Math.max(0, budget.value);
	const remainingMl = Math.max(0, usedMl - tipDropMl / 2);
	arithmetic.push(
		{ kind: 'half-last-drop', dropMl: tipDropMl, remainingMl },
		{ kind: 'worth', perMl, sampleMl, titrantMolPerL: method.titrant.molPerL, volumeMl: remainingMl, value }
	);
	return ok({
		result: { ...measured, kind: 'value', value, ...splitByRepeat(budget.components) },
		usedMl,
		components: budget.components.filter((c) => c.u > 0),
		arithmetic
	});
}
