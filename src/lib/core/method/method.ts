import type { ParameterId, UnitId } from '../quantity/index.ts';
import type { ChartPoint } from './chart.ts';
import type { Spacing } from './colour-steps.ts';
import type { NamedColour } from './named-colour.ts';
import type { ProtocolStep } from './protocol.ts';

/** A full sample is finer, a half one cheaper: every mark is worth twice as much. */
export type Portion = 'full' | 'half';

export const HAZARDS = ['acid', 'caustic', 'harmful', 'flammable', 'powder', 'heavy-metal'] as const;
export type Hazard = (typeof HAZARDS)[number];

export interface Reagent {
	readonly label: string;
	readonly what: string;
	readonly hazards: readonly Hazard[];
}

/** What every method has, whatever is read in it. A new version is a new object; this one never changes. */
export interface MethodCommon {
	readonly code: string;
	readonly version: number;
	readonly name: string;
	readonly parameter: ParameterId;
	/** The form that the method finds, where forms differ: inorganic or total phosphate, for instance. */
	readonly species: string;
	/** `half` only where the leaflet has a half sample. Null where no sample is measured out. */
	readonly sampleMl: { readonly full: number; readonly half?: number } | null;
	/** Rectangular half-width of the drawn sample, relative. */
	readonly sampleRelativeTolerance: number;
	/** Parts in all to one part of sample that the leaflet offers to thin to; often none. */
	readonly dilutions: readonly number[];
	/** Where the leaflet says that the method holds, canonical unit; an open side is null. */
	readonly limits: { readonly low: number | null; readonly high: number | null };
	readonly reagents: readonly Reagent[];
	readonly equipment: readonly string[];
	readonly steps: readonly ProtocolStep[];
	readonly pack: {
		readonly tests: number | null;
		readonly price: number | null;
		readonly closedMonths: number | null;
		readonly openedMonths: number | null;
	};
}

/** How titrant is measured: by the plunger of a syringe, or in drops. */
export type Meter =
	| {
			readonly kind: 'syringe';
			readonly capacityMl: number;
			readonly graduationMl: number;
			/** What the leaflet asks for; the other one is always shown beside it. */
			readonly readAs: 'left' | 'used';
			/** One drop from the tip: the last of them decides, so the true end lies within it. */
			readonly tipDropMl: number;
			/** May be added in one go before the drops begin; 0 where the leaflet has no such thing. */
			readonly headStartMl: number;
	  }
	| {
			readonly kind: 'drops';
			readonly dropMl: number;
			/** Rectangular half-width of a drop's size between bottles, hands and angles, relative. */
			readonly relativeTolerance: number;
			/** What is loaded at once, where the drops come from a syringe that was filled; more of them cannot be counted. */
			readonly loadMl?: number;
	  };

/** How a volume of titrant (mL or drops) becomes a value, always for the full sample. */
export type Worth =
	| {
			/** Concentration and stoichiometry, one for one. */
			readonly by: 'titrant';
			readonly molPerL: number;
	  }
	| {
			/** An excess of one reagent is titrated back, sometimes in a measured part of the filtrate. */
			readonly by: 'excess';
			readonly titrantMolPerL: number;
			readonly excessMolPerL: number;
			readonly excessMl: number;
			readonly filtrate: { readonly ofMl: number; readonly takenMl: number } | null;
	  }
	| {
			/** The leaflet's factor, or its straight line through two points. */
			readonly by: 'line';
			readonly unit: UnitId;
			readonly perUnit: number;
			readonly atZero: number;
	  }
	| {
			/** The leaflet's table: straight between its rows, a bound beyond them. */
			readonly by: 'table';
			readonly unit: UnitId;
			readonly reads: 'left' | 'used';
			readonly points: readonly ChartPoint[];
			/** The step in which it is printed, in its unit; 0 when it is exact. */
			readonly printedStep: number;
	  };

/** One titration: what is measured, in what, and what it is worth. */
export interface Titration {
	readonly parameter: ParameterId;
	readonly titrant: string;
	/** Rectangular half-width of the titrant's strength, relative. */
	readonly titrantRelativeTolerance: number;
	readonly meter: Meter;
	readonly worth: Worth;
	/** Standard uncertainty of judging the end point, mL or drops, until the reader's own is known. */
	readonly endPointU: number;
	readonly colours: { readonly start: NamedColour; readonly passing: NamedColour; readonly end: NamedColour };
}

export interface TitrationMethod extends MethodCommon {
	readonly kind: 'syringe-titration' | 'drop-titration' | 'back-titration';
	readonly titration: Titration;
}

/** Two titrations one after the other in the same vial; the second begins where the first ended. */
export interface PairedMethod extends MethodCommon {
	readonly kind: 'paired-titration';
	readonly titration: Titration;
	readonly second: Titration;
}

/** A total from which another ion's own result is taken off. */
export interface DifferenceMethod extends MethodCommon {
	readonly kind: 'difference';
	/** Finds the total, counted "as" this method's parameter. */
	readonly titration: Titration;
	readonly subtract: { readonly parameter: 'calcium'; readonly by: 'moles' | 'plain' };
}

export interface ColourStep {
	/** In the method's unit. */
	readonly value: number;
	readonly colour: NamedColour;
}

/** A coloured sample held against printed or turning steps; `blank` where a second, untreated vial stands beside it. */
export interface ColourMethod extends MethodCommon {
	readonly kind: 'colour-card' | 'comparator';
	readonly unit: UnitId;
	readonly colourSteps: readonly ColourStep[];
	readonly spacing: Spacing;
	readonly blank: boolean;
	/** How it is looked at. */
	readonly view: string;
}

/** A number on a display, in the instrument's own unit. */
export interface DisplayMethod extends MethodCommon {
	readonly kind: 'display';
	readonly unit: UnitId;
	/** Last digit of the display. */
	readonly resolution: number;
	/** Rectangular half-width: the greater of both, the second relative to what is shown. */
	readonly accuracy: { readonly absolute: number; readonly relative: number };
	readonly range: { readonly low: number; readonly high: number };
	readonly withTemperature: boolean;
}

/** A line read on a scale of specific gravity: the border in a refractometer, the surface at a float. */
export interface ScaleMethod extends MethodCommon {
	readonly kind: 'scale-line' | 'float';
	readonly scale: {
		/** Of the water, and of the pure water it is compared with; without both the number means nothing. */
		readonly waterC: number;
		readonly referenceC: number;
		readonly graduation: number;
		readonly from: number;
		readonly to: number;
		/** Rectangular half-width of the whole scale, until a check against a standard. */
		readonly tolerance: number;
		/** Cubic expansion of a float, per K; 0 for a refractometer that corrects itself. */
		readonly expansionPerK: number;
		/** Rectangular half-width of the temperature read beside it, K. */
		readonly temperatureTolerance: number;
	};
}

export interface ThermometerMethod extends MethodCommon {
	readonly kind: 'thermometer';
	readonly graduationC: number;
	/** Rectangular half-width, K. */
	readonly toleranceC: number;
	readonly rangeC: { readonly low: number; readonly high: number };
}

/** A value that came from elsewhere, such as a laboratory, with the uncertainty that was stated for it. */
export interface StatedMethod extends MethodCommon {
	readonly kind: 'stated';
}

export type Method =
	| TitrationMethod
	| PairedMethod
	| DifferenceMethod
	| ColourMethod
	| DisplayMethod
	| ScaleMethod
	| ThermometerMethod
	| StatedMethod;

export type MethodKind = Method['kind'];

const TITRATES: ReadonlySet<MethodKind> = new Set([
	'syringe-titration',
	'drop-titration',
	'back-titration',
	'paired-titration',
	'difference'
]);
/** True of kinds whose result is a volume of titrant. */
export const titratesKind = (kind: MethodKind): boolean => TITRATES.has(kind);

/** The titrations of a method in the order in which they are done; none where nothing is titrated. */
export function titrationsOf(method: Method): readonly Titration[] {
	switch (method.kind) {
		case 'syringe-titration':
		case 'drop-titration':
		case 'back-titration':
		case 'difference':
			return [method.titration];
		case 'paired-titration':
			return [method.titration, method.second];
		default:
			return [];
	}
}

/** Everything that one run of a method tells, the method's own parameter first. */
export function parametersOf(method: Method): readonly ParameterId[] {
	return method.kind === 'paired-titration'
		? [method.titration.parameter, method.second.parameter]
		: [method.parameter];
}

export function portionsOf(method: Method): readonly Portion[] {
	return method.sampleMl?.half === undefined ? ['full'] : ['full', 'half'];
}

/** The sample of a portion, mL; null where none is measured out or the method has no such portion. */
export function sampleOf(method: Method, portion: Portion): number | null {
	return method.sampleMl?.[portion] ?? null;
}
