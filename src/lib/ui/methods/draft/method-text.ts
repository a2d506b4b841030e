import { titratesKind, type MethodKind, type Reagent } from '$lib/core/method';
import { formsOf, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';

/** Every kind of kit and instrument is entered from its leaflet. A value that was stated elsewhere is no kit. */
export const ENTERED_KINDS = [
	'syringe-titration',
	'drop-titration',
	'back-titration',
	'paired-titration',
	'difference',
	'colour-card',
	'comparator',
	'display',
	'scale-line',
	'float',
	'thermometer'
] as const satisfies readonly MethodKind[];
export type EnteredKind = (typeof ENTERED_KINDS)[number];

export function isEnteredKind(kind: MethodKind): kind is EnteredKind {
	return (ENTERED_KINDS as readonly string[]).includes(kind);
}

/** Longest text of a table or of the steps that is read. */
export const MOST_LETTERS = 40_000;

/** One titration as it is typed: every number is text until it is asked for. */
export interface TitrationText {
	readonly unit: UnitId;
	readonly worthBy: 'factor' | 'points' | 'table' | 'titrant' | 'excess';
	/** What one mL or one drop is worth. */
	readonly factor: string;
	/** Two rows "volume value" of a straight line. */
	readonly points: string;
	/** A pasted table: a volume and a value on every line. */
	readonly table: string;
	readonly tableReads: 'left' | 'used';
	readonly molPerL: string;
	/** Of the reagent that is given in excess and titrated back. */
	readonly excessMolPerL: string;
	readonly excessMl: string;
	/** Both empty where all of it is titrated, and no filtrate is taken. */
	readonly filtrateOfMl: string;
	readonly filtrateTakenMl: string;
	readonly meterBy: 'syringe' | 'drops';
	readonly capacityMl: string;
	readonly graduationMl: string;
	readonly readAs: 'left' | 'used';
	/** Empty where drops begin at once. */
	readonly headStartMl: string;
	readonly dropMl: string;
	/** Empty where the drops come from a bottle. */
	readonly loadMl: string;
	readonly titrant: string;
	readonly strengthPercent: string;
	readonly startColour: string;
	readonly startCss: string;
	readonly endColour: string;
	readonly endCss: string;
}

/** A method as it is typed. */
export interface MethodText extends TitrationText {
	readonly kind: EnteredKind;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly species: string;
	/** Empty only where a display needs no measured sample. */
	readonly fullMl: string;
	/** Empty where the leaflet has no half sample. */
	readonly halfMl: string;
	/** The second titration in the same vial. */
	readonly second: TitrationText & { readonly parameter: ParameterId };
	readonly subtractBy: 'moles' | 'plain';
	/** Steps of a card: "value colour-name" on every line, with their swatches beside. */
	readonly colours: readonly { readonly value: string; readonly name: string; readonly css: string }[];
	readonly blank: boolean;
	readonly hasDisc: boolean;
	readonly view: string;
	readonly dilutions: string;
	/** Where the leaflet says that it holds, in the unit of its values; empty where it says nothing. */
	readonly limitLow: string;
	readonly limitHigh: string;
	readonly resolution: string;
	readonly accuracyAbsolute: string;
	readonly accuracyPercent: string;
	readonly rangeLow: string;
	readonly rangeHigh: string;
	readonly withTemperature: boolean;
	readonly waterC: string;
	readonly referenceC: string;
	readonly scaleMark: string;
	readonly scaleFrom: string;
	readonly scaleTo: string;
	readonly scaleTolerance: string;
	readonly expansionPerK: string;
	readonly temperatureTolerance: string;
	readonly steps: string;
	readonly tests: string;
	readonly openedMonths: string;
	/** What the kit holds besides its reagents, a thing on every line. */
	readonly equipment: string;
	readonly hazards: readonly Reagent['hazards'][number][];
}

/** The fields that are one line of text. */
export type TextField = LineOf<MethodText>;
export type TitrationField = LineOf<TitrationText>;
type LineOf<T> = { [K in keyof T]: string extends T[K] ? K : never }[keyof T];

export function titrates({ kind }: Pick<MethodText, 'kind'>): boolean {
	return titratesKind(kind);
}

/** True where the titrant is counted in drops. */
export function countsDrops(kind: EnteredKind, { meterBy }: Pick<TitrationText, 'meterBy'>): boolean {
	if (kind === 'back-titration') return meterBy === 'drops';
	return kind === 'drop-titration' || kind === 'difference';
}

/** True where a colour is held against steps. */
export const hasSteps = (kind: EnteredKind) => kind === 'colour-card' || kind === 'comparator';
/** True where a line is read on a scale of specific gravity. */
export const hasScale = (kind: EnteredKind) => kind === 'scale-line' || kind === 'float';

/** A titration before anything was typed, with numbers that most kits have. */
export function emptyTitration(parameter: ParameterId): TitrationText {
	return {
		unit: PARAMETERS[parameter].canonicalUnit,
		worthBy: 'factor',
		factor: '',
		points: '',
		table: '',
		tableReads: 'used',
		molPerL: '',
		excessMolPerL: '',
		excessMl: '',
		filtrateOfMl: '',
		filtrateTakenMl: '',
		meterBy: 'syringe',
		capacityMl: '1',
		graduationMl: '0.01',
		readAs: 'left',
		headStartMl: '',
		dropMl: '0.04',
		loadMl: '',
		titrant: '',
		strengthPercent: '1',
		startColour: 'start',
		startCss: '#4f9d6a',
		endColour: 'end',
		endCss: '#a3264f'
	};
}

/** A new kit before anything was typed. */
export function emptyMethod(kind: EnteredKind, parameter: ParameterId): MethodText {
	return {
		...emptyTitration(parameter),
		...(kind === 'back-titration' ? { worthBy: 'excess' as const } : {}),
		kind,
		name: '',
		parameter,
		species: formsOf(parameter)[0] ?? PARAMETERS[parameter].species,
		fullMl: kind === 'thermometer' || hasScale(kind) ? '' : '5',
		halfMl: '',
		second: { ...emptyTitration('magnesium'), parameter: 'magnesium' },
		subtractBy: 'moles',
		colours: [
			{ value: '0', name: 'palest', css: '#f3efe6' },
			{ value: '', name: 'darkest', css: '#b04a6a' }
		],
		blank: kind === 'comparator',
		hasDisc: false,
		view: '',
		dilutions: '',
		limitLow: '',
		limitHigh: '',
		resolution: '1',
		accuracyAbsolute: '',
		accuracyPercent: '',
		rangeLow: '0',
		rangeHigh: '',
		withTemperature: false,
		waterC: '25',
		referenceC: '25',
		scaleMark: '0.001',
		scaleFrom: '1',
		scaleTo: '1.04',
		scaleTolerance: '0.001',
		expansionPerK: '0.00003',
		temperatureTolerance: '0.5',
		steps: '',
		tests: '',
		openedMonths: '',
		equipment: '',
		hazards: []
	};
}
