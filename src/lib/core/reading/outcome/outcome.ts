import type { KitCorrection, Worth } from '../../method/index.ts';
import type { ParameterId, UnitId } from '../../quantity/index.ts';
import { propagate, type MeasurementModel, type UncertaintyComponent } from '../../uncertainty/index.ts';
import type { StepReading } from '../form/raw-reading.ts';
import type { EndPoint } from '../titration/end-point.ts';
import type { TestResult } from './test-result.ts';

/** Raised whenever the arithmetic changes; results keep the version they were derived by. */
export const DERIVATION_VERSION = 3;

/** One line of the arithmetic, to be put into words by `format/`. Volumes in mL or drops, values canonical. */
export type ArithmeticLine =
	| {
			readonly kind: 'fill';
			readonly readAs: 'left' | 'used';
			readonly startMl: number;
			readonly endMl: number;
			readonly usedMl: number;
	  }
	| { readonly kind: 'total'; readonly usedMl: number }
	| { readonly kind: 'drops'; readonly least: number; readonly most: number; readonly bad: number }
	| {
			readonly kind: 'half-last-drop';
			readonly meter: 'syringe' | 'drops';
			readonly drop: number;
			readonly remaining: number;
	  }
	| {
			readonly kind: 'habit';
			readonly meter: 'syringe' | 'drops';
			readonly endPoint: EndPoint;
			readonly shift: number;
	  }
	| {
			/** The reader's own bias at this end point, taken off; in mL or drops. */
			readonly kind: 'own-eye';
			readonly meter: 'syringe' | 'drops';
			readonly shift: number;
			readonly u: number;
	  }
	| {
			/** The same on a scale, in its unit. */
			readonly kind: 'own-scale';
			readonly shift: number;
			readonly u: number;
	  }
	| {
			readonly kind: 'worth';
			readonly parameter: ParameterId;
			readonly meter: 'syringe' | 'drops';
			readonly worth: Worth;
			readonly perUnit: number;
			readonly atZero: number;
			readonly sampleMl: number;
			readonly volume: number;
			readonly value: number;
	  }
	| {
			readonly kind: 'subtract';
			readonly total: number;
			readonly subtracted: number;
			readonly weight: number;
			readonly value: number;
	  }
	| {
			readonly kind: 'step';
			readonly reading: StepReading;
			readonly steps: readonly number[];
			readonly unit: UnitId;
			readonly lower: number;
			readonly upper: number | null;
	  }
	| {
			readonly kind: 'display';
			readonly shown: number | 'over' | 'under';
			readonly unit: UnitId;
			readonly value: number;
	  }
	| {
			readonly kind: 'scale';
			readonly lower: number;
			readonly upper: number;
			readonly waterC: number;
			readonly referenceC: number;
			readonly temperatureC: number;
			readonly value: number;
	  }
	| { readonly kind: 'thermometer'; readonly lower: number; readonly upper: number }
	| { readonly kind: 'dilution'; readonly factor: number; readonly measured: number; readonly value: number }
	| { readonly kind: 'stated'; readonly source: string; readonly assumedU: boolean }
	| {
			/** A check on standards: what the kit read, and what it should have shown. */
			readonly kind: 'check';
			readonly parameter: ParameterId;
			readonly correction: KitCorrection;
			readonly read: number;
			readonly value: number;
	  };

/** One result and where it came from. Budget and arithmetic are written out only when somebody looks at them. */
export interface Outcome {
	readonly result: TestResult;
	/** Standard uncertainties by source; empty for a bound, which has no budget. */
	readonly components: readonly UncertaintyComponent[];
	readonly arithmetic: readonly ArithmeticLine[];
	/** For a check by simulation; null for a bound. */
	readonly model: MeasurementModel | null;
}

/** What a run told: one outcome for each parameter, the method's own first. */
export interface Derivation {
	readonly outcomes: readonly [Outcome, ...Outcome[]];
}

/** An outcome whose budget follows from its model by the law of propagation. */
export class ModelledOutcome implements Outcome {
	constructor(
		readonly result: TestResult,
		readonly model: MeasurementModel,
		readonly arithmetic: readonly ArithmeticLine[]
	) {}

	get components(): readonly UncertaintyComponent[] {
		return propagate(this.model).components;
	}
}

/** A bound: nothing inside it is known, so there is no budget. */
export class BoundOutcome implements Outcome {
	readonly components = [];
	readonly model = null;
	constructor(
		readonly result: Extract<TestResult, { kind: 'bound' }>,
		readonly arithmetic: readonly ArithmeticLine[]
	) {}
}
