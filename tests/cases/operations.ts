import { inspectBand } from './adapters/judgement.ts';
import { alkalinityConvert } from './adapters/units.ts';
import {
	chartLookup,
	syringeDelivered,
	syringeThenChart,
	titrateAlkalinity,
	titrateCalcium
} from './adapters/titration.ts';
import { twoPoint, weightedLine } from './adapters/trend.ts';
import { standardUncertainty, titrationBudgetCase } from './adapters/uncertainty.ts';
import type { Operation } from './shape.ts';

/** Every operation of the reference cases that the core meets, by its name. */
export const OPERATIONS: Readonly<Record<string, Operation>> = {
	alkalinity_convert: alkalinityConvert,
	alkalinity_titration: titrateAlkalinity,
	calcium_titration: titrateCalcium,
	chart_lookup: chartLookup,
	in_band: inspectBand,
	rate_two_point: twoPoint,
	rate_wls: weightedLine,
	standard_uncertainty: standardUncertainty,
	syringe_delivered: syringeDelivered,
	syringe_then_chart: syringeThenChart,
	titration_budget: titrationBudgetCase
};
