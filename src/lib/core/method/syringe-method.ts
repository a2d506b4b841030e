import { dkhFromMeqPerL, type ParameterId } from '../quantity/index.ts';
import type { NamedColour } from './named-colour.ts';
import type { ProtocolStep } from './protocol.ts';
import { alkalinityFromAcid, calciumFromTitrant } from './stoichiometry.ts';

/** A full sample is finer, a half one cheaper: every mark is worth twice as much. */
export type Portion = 'full' | 'half';

export type Hazard = 'acid' | 'caustic' | 'harmful' | 'flammable' | 'powder';

export interface Reagent {
	readonly label: string;
	readonly what: string;
	readonly hazards: readonly Hazard[];
}

/** A titration from a small syringe, whose plunger is read before and after. */
export interface SyringeMethod {
	readonly kind: 'syringe-titration';
	readonly code: string;
	readonly version: number;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly sampleMl: Readonly<Record<Portion, number>>;
	readonly titrant: {
		readonly reagent: string;
		readonly molPerL: number;
		/** Rectangular half-width, relative. */
		readonly relativeTolerance: number;
	};
	readonly syringe: {
		readonly capacityMl: number;
		readonly graduationMl: number;
		/** What the leaflet asks for; the other one is always shown beside it. */
		readonly readAs: 'left' | 'used';
		/** One drop from the tip: the last of them decides, so the true end lies within it. */
		readonly tipDropMl: number;
	};
	/** Rectangular half-width of the drawn sample, relative. */
	readonly sampleRelativeTolerance: number;
	/** Standard uncertainty of judging the end point, until the reader's own is known. */
	readonly endPointUMl: number;
	readonly colours: { readonly start: NamedColour; readonly passing: NamedColour; readonly end: NamedColour };
	readonly reagents: readonly Reagent[];
	readonly steps: readonly ProtocolStep[];
}

/**
 * What one millilitre of titrant is worth, from concentration and stoichiometry.
 *
 * @returns canonical unit of the parameter per mL
 * @example resultPerMl(ALK_SYRINGE, 'full') // 14.01925 dKH, that is 5.00 meq/L
 */
export function resultPerMl(method: SyringeMethod, portion: Portion): number {
	const sampleMl = method.sampleMl[portion];
	switch (method.parameter) {
		case 'alkalinity':
			return dkhFromMeqPerL(alkalinityFromAcid(method.titrant.molPerL, 1, sampleMl));
		case 'calcium':
			return calciumFromTitrant(method.titrant.molPerL, 1, sampleMl).calciumMgPerL;
	}
}

/** What one division of the syringe is worth, in the parameter's canonical unit. */
export function resolutionOf(method: SyringeMethod, portion: Portion): number {
	return resultPerMl(method, portion) * method.syringe.graduationMl;
}
