import { PARAMETERS, type ParameterId } from '../quantity/index.ts';
import type { Estimate } from './estimate.ts';

/** One reading of what nobody doses says nothing about the days since, and one bound no number: there is no line. */
export function isLine(parameter: ParameterId, estimate: Estimate | null): estimate is Estimate {
	if (estimate === null) return false;
	return estimate.basedOn > 1 || (PARAMETERS[parameter].dosed && !estimate.mostlyBounds);
}
