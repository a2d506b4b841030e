import type { Method, MethodKind, Portion, StepStatement } from '../../method/index.ts';
import type { UnitId } from '../../quantity/index.ts';
import type { EndPoint } from '../titration/end-point.ts';

/** One look at the scale, mL. Both ends are equal on a mark and differ when it stood between two. */
export interface ScaleReading {
	readonly lowerMl: number;
	readonly upperMl: number;
}

/** What the plunger of a syringe told, filling by filling. */
export interface SyringeMarks {
	/** The sense of every number below: what was left in the syringe, or what was used of it. */
	readonly readAs: 'left' | 'used';
	/** One per filling, in order; `startMl` is what the syringe held, `end` what was read at its end. */
	readonly fills: readonly { readonly startMl: number; readonly end: ScaleReading }[];
	/** False when the reader was not sure of the mark: a division more on either side. */
	readonly sure: boolean;
	/** mL of it that were added after the colour was first called turned and was watched again; 0 where it stood. */
	readonly addedAfter?: number;
}

/** Drops counted up to the end point. Least and most differ where it lay somewhere between ("41 to 43"). */
export interface DropMarks {
	readonly least: number;
	readonly most: number;
	/** Of these, drops that were half or lost, marked when they happened: each is anything from nothing to a drop. */
	readonly bad: number;
	/** How often the syringe was filled that they came from; once where it is not told, nothing where none is filled. */
	readonly loads?: number;
	/** Of these, drops that fell after the colour was first called turned and was watched again; 0 where it stood. */
	readonly addedAfter?: number;
}

/** The sample was thinned with water before the test. */
export interface Dilution {
	readonly sampleMl: number;
	readonly diluentMl: number;
	/** What the water for thinning holds of what is measured, canonical unit. */
	readonly diluentHolds: number;
}

export const LIGHTS = ['daylight', 'white-lamp', 'coloured-lamp', 'dim'] as const;
export const BACKGROUNDS = ['white', 'grey', 'coloured'] as const;
export const COURSES = ['as-written', 'early', 'late', 'none'] as const;

/** Under what it was judged, and how the colour came: notes, never part of the arithmetic. */
export interface Circumstances {
	readonly light?: (typeof LIGHTS)[number] | undefined;
	readonly background?: (typeof BACKGROUNDS)[number] | undefined;
	/** The colour formed early, late or not at all. */
	readonly course?: (typeof COURSES)[number] | undefined;
	readonly cloudy?: boolean;
	/** Bubbles were tapped off, and the glass was wiped, before it was read. */
	readonly bubblesOff?: boolean;
	readonly wiped?: boolean;
	/** The running value was hidden until it was entered: only such readings tell of the reader. */
	readonly blind?: boolean;
	/** The reader is in doubt of it, and says so before anybody asks. */
	readonly doubtful?: boolean;
}

interface Common extends Circumstances {
	readonly portion: Portion;
	readonly dilution?: Dilution;
}

export interface SyringeReading extends Common, SyringeMarks {
	readonly form: 'syringe';
	readonly endPoint?: EndPoint;
}

export interface DropReading extends Common, DropMarks {
	readonly form: 'drops';
	readonly endPoint?: EndPoint;
}

/** Both titrations in one vial are stopped by one habit. */
export interface PairReading extends Common {
	readonly form: 'pair';
	readonly first: SyringeMarks;
	readonly second: SyringeMarks;
	readonly endPoint?: EndPoint;
}

export interface DifferenceReading extends Common, DropMarks {
	readonly form: 'difference';
	readonly endPoint?: EndPoint;
	/** The other ion's own result, canonical unit, and the habit by which it was found, where known. */
	readonly subtract: {
		readonly value: number;
		readonly uRandom: number;
		readonly uCommon: number;
		readonly endPoint?: EndPoint;
		readonly runId: string | null;
	};
}

/** Schools of reading a colour between two steps. */
export const BETWEEN_SCHOOLS = ['interpolate', 'nearer-step', 'upper-step', 'interval'] as const;

export interface StepReading extends Common {
	readonly form: 'step';
	readonly at: StepStatement;
	readonly between: (typeof BETWEEN_SCHOOLS)[number];
	/** The untreated vial stood beside it, so that the tint of the water counts on both sides. */
	readonly blank: boolean;
	/** A second person, who did not know the first reading. */
	readonly second?: StepStatement;
}

export interface DisplayReading extends Common {
	readonly form: 'display';
	/** In the method's unit; or that the display said only "over" or "under" its range. */
	readonly shown: number | 'over' | 'under';
	readonly temperatureC: number | null;
}

/** A line, a surface or a column against a scale; ends are equal on a mark. In the scale's own unit. */
export interface LineReading extends Common {
	readonly form: 'line';
	readonly lower: number;
	readonly upper: number;
	/** Read beside a float. */
	readonly temperatureC: number | null;
}

/** A value that somebody else found, in their unit, with the uncertainty that they state (U = k·u). */
export interface StatedReading extends Common {
	readonly form: 'stated';
	readonly unit: UnitId;
	readonly says:
		| {
				readonly kind: 'value';
				readonly value: number;
				/** Null where none was stated. */
				readonly expandedU: number | null;
				readonly k: number;
		  }
		| { readonly kind: 'interval'; readonly lower: number; readonly upper: number }
		| { readonly kind: 'bound'; readonly sense: '<' | '>'; readonly limit: number };
	readonly source: string;
}

/** What was read, exactly as it was made; never changed after it is stored. */
export type RawReading =
	| SyringeReading
	| DropReading
	| PairReading
	| DifferenceReading
	| StepReading
	| DisplayReading
	| LineReading
	| StatedReading;

export type ReadingForm = RawReading['form'];

/** The version of every form, stored beside the reading. Raised when a form changes its meaning. */
export const FORM_VERSION: Readonly<Record<ReadingForm, number>> = {
	syringe: 1,
	drops: 1,
	pair: 1,
	difference: 1,
	step: 1,
	display: 1,
	line: 1,
	stated: 1
};

const FORM_OF_KIND: Readonly<Record<Exclude<MethodKind, 'back-titration'>, ReadingForm>> = {
	'syringe-titration': 'syringe',
	'drop-titration': 'drops',
	'paired-titration': 'pair',
	difference: 'difference',
	'colour-card': 'step',
	comparator: 'step',
	display: 'display',
	'scale-line': 'line',
	float: 'line',
	thermometer: 'line',
	stated: 'stated'
};

/** The form in which a method is read. A back-titration is read as its titrant is measured. */
export function formOf(method: Method): ReadingForm {
	if (method.kind === 'back-titration') {
		return method.titration.meter.kind === 'drops' ? 'drops' : 'syringe';
	}
	return FORM_OF_KIND[method.kind];
}
