import type { MethodKind, Reagent } from '$lib/core/method';
import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';

/** The kinds that can be entered from a leaflet here; the others are duplicated from a shipped one and adapted. */
export const ENTERED_KINDS = [
	'syringe-titration',
	'drop-titration',
	'colour-card',
	'comparator',
	'display'
] as const;
export type EnteredKind = (typeof ENTERED_KINDS)[number];

export function isEnteredKind(kind: MethodKind): kind is EnteredKind {
	return (ENTERED_KINDS as readonly string[]).includes(kind);
}

/** Longest text of a table or of the steps that is read. */
export const MOST_LETTERS = 40_000;

/** A method as it is typed: every number is text until it is asked for. */
export interface MethodText {
	readonly kind: EnteredKind;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	/** Empty only where a display needs no measured sample. */
	readonly fullMl: string;
	/** Empty where the leaflet has no half sample. */
	readonly halfMl: string;
	readonly worthBy: 'factor' | 'points' | 'table' | 'titrant';
	/** What one mL or one drop is worth. */
	readonly factor: string;
	/** Two rows "volume value" of a straight line. */
	readonly points: string;
	/** A pasted table: a volume and a value on every line. */
	readonly table: string;
	readonly tableReads: 'left' | 'used';
	readonly molPerL: string;
	readonly capacityMl: string;
	readonly graduationMl: string;
	readonly readAs: 'left' | 'used';
	readonly startColour: string;
	readonly startCss: string;
	readonly endColour: string;
	readonly endCss: string;
	/** Steps of a card: "value colour-name" on every line, with their swatches beside. */
	readonly colours: readonly { readonly value: string; readonly name: string; readonly css: string }[];
	readonly dilutions: string;
	readonly resolution: string;
	readonly accuracyAbsolute: string;
	readonly accuracyPercent: string;
	readonly rangeHigh: string;
	readonly steps: string;
	readonly tests: string;
	readonly hazards: readonly Reagent['hazards'][number][];
}

/** The fields that are one line of text. */
export type TextField = {
	[K in keyof MethodText]: string extends MethodText[K] ? K : never;
}[keyof MethodText];

export function titrates({ kind }: Pick<MethodText, 'kind'>): boolean {
	return kind === 'syringe-titration' || kind === 'drop-titration';
}

/** A new kit before anything was typed, with numbers that most kits have. */
export function emptyMethod(kind: EnteredKind, parameter: ParameterId): MethodText {
	return {
		kind,
		name: '',
		parameter,
		unit: PARAMETERS[parameter].canonicalUnit,
		fullMl: '5',
		halfMl: '',
		worthBy: 'factor',
		factor: '',
		points: '',
		table: '',
		tableReads: 'used',
		molPerL: '',
		capacityMl: '1',
		graduationMl: '0.01',
		readAs: 'left',
		startColour: 'start',
		startCss: '#4f9d6a',
		endColour: 'end',
		endCss: '#a3264f',
		colours: [
			{ value: '0', name: 'palest', css: '#f3efe6' },
			{ value: '', name: 'darkest', css: '#b04a6a' }
		],
		dilutions: '',
		resolution: '1',
		accuracyAbsolute: '',
		accuracyPercent: '',
		rangeHigh: '',
		steps: '',
		tests: '',
		hazards: []
	};
}
