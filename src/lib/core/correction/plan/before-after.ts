import {
	carbonateCourse,
	MOST_OMEGA,
	MOST_PH_TOTAL,
	salinityRise,
	seaWaterHolds
} from '../dose/chemistry-after.ts';
import type { DoseEffect } from '../dose/dose.ts';
import { levelOr, type Assumption, type Known, type WaterNow } from '../water-state.ts';

/** Everything that a plan moves, in the order in which it is told. */
export const MOVED = [
	'alkalinity',
	'calcium',
	'magnesium',
	'potassium',
	'nitrate',
	'phosphate',
	'sodium',
	'chloride',
	'sulphate',
	'salinity',
	'ph-at-once',
	'ph-later',
	'saturation-at-once',
	'saturation-later'
] as const;
export type Moved = (typeof MOVED)[number];

export interface MovedRow {
	readonly what: Moved;
	readonly before: number;
	readonly after: number;
	/** Standard uncertainty of either; half the range of what had to be assumed. */
	readonly u: number;
	/** The level before was not measured. */
	readonly assumed: boolean;
}

export type PlanWarning = 'would-precipitate' | 'ph-high' | 'raised-loss' | 'corrosive-to-skeletons';

export interface BeforeAfter {
	readonly rows: readonly MovedRow[];
	readonly warnings: readonly PlanWarning[];
	readonly assumed: readonly Assumption[];
}

/** Bands of the saturation of aragonite (conventions). @see Morse & He (1993); Moras et al. (2022) */
const RAISED_LOSS = 5;

const MAJOR_IONS = [
	['calcium', 'Ca'],
	['magnesium', 'Mg'],
	['potassium', 'K']
] as const;
const NUTRIENTS = [
	['nitrate', 'NO3'],
	['phosphate', 'PO4']
] as const;
const UNTESTED_IONS = [
	['sodium', 'Na'],
	['chloride', 'Cl'],
	['sulphate', 'SO4']
] as const;

/** A level, and by how much it rises. */
const risen = (
	what: Moved,
	{ value, u, assumed = false }: Known,
	rise: number,
	doseRelativeU: number
): MovedRow => ({
	what,
	before: value,
	after: value + rise,
	u: Math.hypot(u, rise * doseRelativeU),
	assumed
});

/** What is dissolved: by how much each rises that was read, or is added. */
function dissolvedRows(
	water: WaterNow,
	{ alkalinityDkh, ions }: DoseEffect,
	doseRelativeU: number
): MovedRow[] {
	const rows: MovedRow[] = [];
	const { alkalinity } = water.levels;
	if (alkalinity)
		rows.push(risen('alkalinity', { ...alkalinity, assumed: false }, alkalinityDkh, doseRelativeU));
	for (const [parameter, ion] of MAJOR_IONS) {
		const level = levelOr(water, parameter);
		const rise = ions[ion] ?? 0;
		if (level.assumed && (water.fresh || rise === 0)) continue;
		rows.push(risen(parameter, level, rise, doseRelativeU));
	}
	for (const [parameter, ion] of NUTRIENTS) {
		const level = water.levels[parameter];
		if (level) rows.push(risen(parameter, { ...level, assumed: false }, ions[ion] ?? 0, doseRelativeU));
	}
	return rows;
}

/** The salt of sea water, and the ions of it that nobody tests at home: they follow from the salinity. */
function saltRows(water: WaterNow, whole: DoseEffect, doseRelativeU: number): MovedRow[] {
	if (water.fresh) return [];
	const salinity = levelOr(water, 'salinity');
	const [S, t] = [salinity.value, levelOr(water, 'temperature').value];
	const rows = UNTESTED_IONS.map(([what, ion]) => {
		const value = seaWaterHolds(ion, S, t);
		const level = { value, u: (value * salinity.u) / Math.max(S, 1), assumed: true };
		return risen(what, level, whole.ions[ion] ?? 0, doseRelativeU);
	});
	return [...rows, risen('salinity', salinity, salinityRise(whole, S, t), doseRelativeU)];
}

type Course = ReturnType<typeof carbonateCourse>;

/** pH and saturation, at once and later, with the ends of what the pH leaves open. */
function carbonateRows(ph: Known, middle: Course, low: Course, high: Course): MovedRow[] {
	const row = (what: Moved, before: number, of: (course: Course) => number): MovedRow => ({
		what,
		before,
		after: of(middle),
		u: Math.abs(of(high) - of(low)) / 2,
		assumed: ph.assumed ?? false
	});
	const saturation = middle.before.omegaAragonite;
	return [
		row('ph-at-once', middle.phBefore, (c) => c.phAtOnce),
		row('ph-later', middle.phBefore, (c) => c.phLater),
		row('saturation-at-once', saturation, (c) => c.atOnce.omegaAragonite),
		row('saturation-later', saturation, (c) => c.later.omegaAragonite)
	];
}

function warningsOf(water: WaterNow, low: Course, high: Course): PlanWarning[] {
	const warnings: PlanWarning[] = [];
	const most = Math.max(high.atOnce.omegaAragonite, high.later.omegaAragonite);
	if (most > MOST_OMEGA) warnings.push('would-precipitate');
	else if (most > RAISED_LOSS && most > high.before.omegaAragonite) warnings.push('raised-loss');
	if (high.atOnce.phTotal > MOST_PH_TOTAL) warnings.push('ph-high');
	if (!water.fresh && low.later.omegaAragonite < 1) warnings.push('corrosive-to-skeletons');
	return warnings;
}

/** What had to be taken for granted. */
function assumedIn(water: WaterNow, rows: readonly MovedRow[]): Assumption[] {
	const assumed = new Set<Assumption>();
	if (water.volumeL.assumed) assumed.add('volume');
	for (const [parameter] of MAJOR_IONS) {
		if (rows.some((r) => r.what === parameter && r.assumed)) assumed.add(parameter);
	}
	const needed = ['salinity', 'ph', 'alkalinity', 'temperature', 'calcium'] as const;
	for (const parameter of needed) {
		if (parameter === 'salinity' && water.fresh) continue;
		if (levelOr(water, parameter).assumed) assumed.add(parameter);
	}
	return [...assumed];
}

/**
 * Everything that an addition moves, before and after.
 *
 * @param whole of the plan
 * @param portion what is added at one time, for pH and saturation at once
 */
export function beforeAndAfter(
	water: WaterNow,
	whole: DoseEffect,
	portion: DoseEffect,
	doseRelativeU: number
): BeforeAfter {
	const ph = levelOr(water, 'ph');
	const [middle, low, high] = [0, -ph.u, ph.u].map((off) =>
		carbonateCourse(water, ph.value + off, portion, whole)
	) as [Course, Course, Course];
	const dissolved = [...dissolvedRows(water, whole, doseRelativeU), ...saltRows(water, whole, doseRelativeU)];
	return {
		rows: [...dissolved, ...carbonateRows(ph, middle, low, high)],
		warnings: warningsOf(water, low, high),
		assumed: assumedIn(water, dissolved)
	};
}
