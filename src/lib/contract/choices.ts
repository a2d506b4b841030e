import { PARAMETER_IDS } from '$lib/core/quantity';

// What forms offer and schemas take; without the schemas, which no browser needs.

/** How long a link may lie about before it has to be made anew, in days. */
export const LINK_DAYS = [1, 7, 30] as const;

/** How long the link of a sheet opens it, in days. */
export const SHEET_DAYS = [7, 30, 90] as const;

/** Every hand movement; the card; counts and timers only. */
export const GUIDANCE = ['full', 'card', 'counts'] as const;
export type Guidance = (typeof GUIDANCE)[number];

/** What a laboratory can be asked for. */
export const LABORATORY_PARAMETERS = PARAMETER_IDS.filter((p) => p !== 'temperature' && p !== 'ph');

export const SHELF_KINDS = ['kit', 'standard', 'instrument', 'syringe', 'scoop', 'vial', 'stirrer'] as const;
export type ShelfKind = (typeof SHELF_KINDS)[number];

/** What belongs to one reagent, or to none and is shared. */
export const OWNED_BY_REAGENT: ReadonlySet<ShelfKind> = new Set<ShelfKind>(['syringe', 'scoop']);

export const WATER_KINDS = ['tank', 'new-mix', 'source', 'collected'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];

/** How long it runs already, in days, where that is all somebody knows; nothing chosen is not known. */
export const RUNS_SINCE_DAYS = {
	'this-week': 0,
	'a-month': 30,
	'three-months': 91,
	'half-a-year': 183,
	'a-year': 365,
	'two-years': 730,
	longer: 1500
} as const;
export type RunsSince = keyof typeof RUNS_SINCE_DAYS;
