import {
	carbonateCourse,
	MOST_OMEGA,
	MOST_PH_TOTAL,
	salinityRise,
	seaWaterHolds
} from '../dose/chemistry-after.ts';
import type { DoseEffect } from '../dose/dose.ts';
import { levelOr, type Assumption, type WaterNow } from '../water-state.ts';

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
	const salinity = levelOr(water, 'salinity');
	const temperature = levelOr(water, 'temperature');
	const assumed = new Set<Assumption>();
	if (water.volumeL.assumed) assumed.add('volume');
	const rows: MovedRow[] = [];
	const add = (what: Moved, before: number, rise: number, u: number, isAssumed = false) => {
		rows.push({
			what,
			before,
			after: before + rise,
			u: Math.hypot(u, rise * doseRelativeU),
			assumed: isAssumed
		});
	};
	const alkalinity = water.levels.alkalinity;
	if (alkalinity) add('alkalinity', alkalinity.value, whole.alkalinityDkh, alkalinity.u);
	for (const [parameter, ion] of [
		['calcium', 'Ca'],
		['magnesium', 'Mg'],
		['potassium', 'K']
	] as const) {
		const level = levelOr(water, parameter);
		const rise = whole.ions[ion] ?? 0;
		if (level.assumed && (water.fresh || rise === 0)) continue;
		if (level.assumed) assumed.add(parameter);
		add(parameter, level.value, rise, level.u, level.assumed);
	}
	for (const [parameter, ion] of [
		['nitrate', 'NO3'],
		['phosphate', 'PO4']
	] as const) {
		const level = water.levels[parameter];
		if (level) add(parameter, level.value, whole.ions[ion] ?? 0, level.u);
	}
	if (!water.fresh) {
		if (salinity.assumed) assumed.add('salinity');
		const S = salinity.value;
		const t = temperature.value;
		for (const [what, ion] of [
			['sodium', 'Na'],
			['chloride', 'Cl'],
			['sulphate', 'SO4']
		] as const) {
			const level = seaWaterHolds(ion, S, t);
			// Nobody tests these at home: they follow from the salinity.
			add(what, level, whole.ions[ion] ?? 0, (level * salinity.u) / Math.max(S, 1), true);
		}
		add('salinity', S, salinityRise(whole, S, t), salinity.u, salinity.assumed);
	}
	const ph = levelOr(water, 'ph');
	const middle = carbonateCourse(water, ph.value, portion, whole);
	const warnings = new Set<PlanWarning>();
	if (ph.assumed) assumed.add('ph');
	if (levelOr(water, 'alkalinity').assumed) assumed.add('alkalinity');
	if (temperature.assumed) assumed.add('temperature');
	if (levelOr(water, 'calcium').assumed) assumed.add('calcium');
	const low = carbonateCourse(water, ph.value - ph.u, portion, whole);
	const high = carbonateCourse(water, ph.value + ph.u, portion, whole);
	const row = (what: Moved, before: number, after: number, ends: readonly [number, number]) =>
		rows.push({ what, before, after, u: Math.abs(ends[1] - ends[0]) / 2, assumed: ph.assumed ?? false });
	row('ph-at-once', middle.phBefore, middle.phAtOnce, [low.phAtOnce, high.phAtOnce]);
	row('ph-later', middle.phBefore, middle.phLater, [low.phLater, high.phLater]);
	row('saturation-at-once', middle.before.omegaAragonite, middle.atOnce.omegaAragonite, [
		low.atOnce.omegaAragonite,
		high.atOnce.omegaAragonite
	]);
	row('saturation-later', middle.before.omegaAragonite, middle.later.omegaAragonite, [
		low.later.omegaAragonite,
		high.later.omegaAragonite
	]);
	const most = Math.max(high.atOnce.omegaAragonite, high.later.omegaAragonite);
	if (most > MOST_OMEGA) warnings.add('would-precipitate');
	else if (most > RAISED_LOSS && most > high.before.omegaAragonite) warnings.add('raised-loss');
	if (high.atOnce.phTotal > MOST_PH_TOTAL) warnings.add('ph-high');
	if (!water.fresh && low.later.omegaAragonite < 1) warnings.add('corrosive-to-skeletons');
	return {
		rows,
		warnings: [...warnings],
		assumed: [...assumed]
	};
}
