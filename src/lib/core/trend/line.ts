import { PARAMETERS, type ParameterId } from '../quantity/index.ts';
import type { Estimate } from './estimate.ts';

/** A rate of use can be told: of what is dosed and used up, from more than one reading, of which not most are bounds. */
export function tellsUse(
	parameter: ParameterId,
	estimate: Pick<Estimate, 'basedOn' | 'mostlyBounds'> | null
): boolean {
	return estimate !== null && estimate.basedOn > 1 && PARAMETERS[parameter].dosed && !estimate.mostlyBounds;
}

/** One reading of what nobody doses says nothing about the days since, and one bound no number: there is no line. */
export function isLine(parameter: ParameterId, estimate: Estimate | null): estimate is Estimate {
	if (estimate === null) return false;
	return estimate.basedOn > 1 || (PARAMETERS[parameter].dosed && !estimate.mostlyBounds);
}
