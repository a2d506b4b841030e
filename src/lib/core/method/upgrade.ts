import { PARAMETERS, type ParameterId } from '../quantity/index.ts';
import type { Method, Reagent, TitrationMethod } from './method.ts';
import type { NamedColour } from './named-colour.ts';
import type { ProtocolStep } from './protocol.ts';

/** How syringe titrations were written down before there were other kinds. */
interface FirstForm {
	readonly code: string;
	readonly version: number;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly sampleMl: { readonly full: number; readonly half: number };
	readonly titrant: {
		readonly reagent: string;
		readonly molPerL: number;
		readonly relativeTolerance: number;
	};
	readonly syringe: {
		readonly capacityMl: number;
		readonly graduationMl: number;
		readonly readAs: 'left' | 'used';
		readonly tipDropMl: number;
	};
	readonly sampleRelativeTolerance: number;
	readonly endPointUMl: number;
	readonly colours: { readonly start: NamedColour; readonly passing: NamedColour; readonly end: NamedColour };
	readonly reagents: readonly Reagent[];
	readonly steps: readonly ProtocolStep[];
}

function fromFirstForm(old: FirstForm): TitrationMethod {
	const { titrant, syringe, endPointUMl, colours, ...common } = old;
	return {
		...common,
		kind: 'syringe-titration',
		species: PARAMETERS[old.parameter].species,
		dilutions: [],
		limits: { low: null, high: null },
		equipment: [],
		pack: { tests: null, price: null, closedMonths: null, openedMonths: null },
		titration: {
			parameter: old.parameter,
			titrant: titrant.reagent,
			titrantRelativeTolerance: titrant.relativeTolerance,
			meter: { kind: 'syringe', ...syringe, headStartMl: 0 },
			worth: { by: 'titrant', molPerL: titrant.molPerL },
			endPointU: endPointUMl,
			colours
		}
	};
}

/** A stored definition as it is used today. What is stored never changes; old forms are read into the new one. */
export function methodOfStored(stored: unknown): Method {
	const definition = stored as Method | FirstForm;
	return 'syringe' in definition ? fromFirstForm(definition) : definition;
}
