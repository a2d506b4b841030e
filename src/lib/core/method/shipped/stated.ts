import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../quantity/index.ts';
import type { StatedMethod } from '../method.ts';
import { kit } from './common.ts';

/** One for each parameter: a value that somebody else found, such as a laboratory. */
export const STATED: readonly StatedMethod[] = PARAMETER_IDS.map((parameter) => ({
	...kit({
		code: `stated-${parameter}`,
		name: `${PARAMETERS[parameter].name} from elsewhere`,
		parameter,
		species: PARAMETERS[parameter].species,
		sampleMl: null,
		equipment: [],
		reagents: [],
		steps: []
	}),
	kind: 'stated' as const
}));

export function statedMethodFor(parameter: ParameterId): StatedMethod {
	return STATED.find((m) => m.parameter === parameter)!;
}
