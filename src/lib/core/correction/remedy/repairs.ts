import { CONVENTIONS } from '../../caution/index.ts';
import { isOutside, type Band, type Grade, type StageId } from '../../judgement/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { Known } from '../water-state.ts';

/** Where a parameter stands, as far as a correction asks. */
export interface Standing {
	readonly parameter: ParameterId;
	readonly value: Known;
	readonly band: Band;
	readonly grade: Grade;
	readonly side: 'low' | 'high' | null;
	/** It harms within days, and is put right while it is only possible that it is outside. */
	readonly asOutside: boolean;
	/** A major ion brought to S = 35. */
	readonly atS35: Known | null;
	/** It rests on one reading that did not fit what was expected. */
	readonly surprising: boolean;
}

export type LeaveReason = 'cannot-tell' | 'follows-salinity' | 'after-change';

/** One thing to do, or to leave; in the order in which it is done. */
export type Repair =
	| { readonly kind: 'ammonia'; readonly parameters: readonly ('ammonia' | 'nitrite')[] }
	| { readonly kind: 'warmth'; readonly side: 'low' | 'high' }
	| { readonly kind: 'salinity'; readonly side: 'low' | 'high' }
	| { readonly kind: 'water-change'; readonly parameters: readonly ParameterId[] }
	| {
			readonly kind: 'raise';
			readonly parameters: readonly ParameterId[];
			/** Magnesium that low is put right before calcium and alkalinity. */
			readonly first: boolean;
	  }
	| { readonly kind: 'lower'; readonly parameter: ParameterId }
	| { readonly kind: 'acidity'; readonly side: 'low' | 'high' }
	| {
			readonly kind: 'nutrient';
			readonly parameter: 'nitrate' | 'phosphate';
			readonly side: 'low' | 'high';
	  }
	| { readonly kind: 'leave'; readonly parameter: ParameterId; readonly why: LeaveReason };

/** Magnesium, brought to S = 35, below which calcium and alkalinity are not chased, mg/L (convention). */
export const MAGNESIUM_FIRST = CONVENTIONS.magnesiumFirst.value;
/** From so many things that new water mends on, it comes before single doses (convention). */
const CHANGE_MENDS = CONVENTIONS.changeMends.value;

const isOut = (s: Standing) => isOutside(s.grade) || s.asOutside;

const RAISABLE: readonly ParameterId[] = ['alkalinity', 'calcium', 'magnesium', 'potassium', 'hardness'];

/** An ion that stands where it should once salinity is put right. */
function followsSalinity(s: Standing, salinityOut: boolean): boolean {
	if (!salinityOut || !s.atS35) return false;
	const { low, high } = s.band;
	return (low === null || s.atS35.value >= low) && (high === null || s.atS35.value <= high);
}

/**
 * The repairs of a water, in their order: what kills first, then salinity, because everything else scales with it; a
 * water change before many single doses; magnesium where it is very low; then calcium and alkalinity as a pair; then
 * what is left. What the kit cannot tell is left alone.
 */
export function repairsFor(standings: readonly Standing[]): Repair[] {
	const of = (parameter: ParameterId) => standings.find((s) => s.parameter === parameter);
	const out = standings.filter(isOut);
	const repairs: Repair[] = [];
	const poison = (['ammonia', 'nitrite'] as const).filter((p) => out.some((s) => s.parameter === p));
	if (poison.length > 0) repairs.push({ kind: 'ammonia', parameters: poison });
	const temperature = of('temperature');
	if (temperature?.side && isOut(temperature)) repairs.push({ kind: 'warmth', side: temperature.side });
	const salinity = of('salinity');
	// Only what is outside for certain is an excuse for the ions that follow it.
	const salinityOut = salinity !== undefined && isOutside(salinity.grade);
	if (salinity?.side && isOut(salinity)) repairs.push({ kind: 'salinity', side: salinity.side });
	const own = out.filter(
		(s) => s.side !== null && !followsSalinity(s, salinityOut) && s.parameter !== 'salinity'
	);
	const mendedByChange = own.filter(
		(s) =>
			RAISABLE.includes(s.parameter) ||
			((s.parameter === 'nitrate' || s.parameter === 'phosphate') && s.side === 'high')
	);
	if (mendedByChange.length >= CHANGE_MENDS) {
		repairs.push({ kind: 'water-change', parameters: mendedByChange.map((s) => s.parameter) });
	}
	const low = own.filter((s) => s.side === 'low' && RAISABLE.includes(s.parameter)).map((s) => s.parameter);
	const magnesium = of('magnesium');
	const magnesiumFirst =
		low.includes('magnesium') && (magnesium!.atS35 ?? magnesium!.value).value < MAGNESIUM_FIRST;
	if (magnesiumFirst) repairs.push({ kind: 'raise', parameters: ['magnesium'], first: true });
	const pair: ParameterId[] = low.filter((p) => p === 'alkalinity' || p === 'calcium');
	if (pair.length > 0) repairs.push({ kind: 'raise', parameters: pair, first: false });
	for (const parameter of low) {
		if (pair.includes(parameter) || (magnesiumFirst && parameter === 'magnesium')) continue;
		repairs.push({ kind: 'raise', parameters: [parameter], first: false });
	}
	for (const s of own) {
		if (s.side === 'high' && RAISABLE.includes(s.parameter)) {
			repairs.push({ kind: 'lower', parameter: s.parameter });
		}
		if (s.parameter === 'nitrate' || s.parameter === 'phosphate') {
			repairs.push({ kind: 'nutrient', parameter: s.parameter, side: s.side! });
		}
	}
	const ph = of('ph');
	if (ph?.side && isOut(ph)) repairs.push({ kind: 'acidity', side: ph.side });
	for (const s of out) {
		if (followsSalinity(s, salinityOut))
			repairs.push({ kind: 'leave', parameter: s.parameter, why: 'follows-salinity' });
	}
	for (const s of standings) {
		if (s.grade === 'cannot-tell' && !s.asOutside)
			repairs.push({ kind: 'leave', parameter: s.parameter, why: 'cannot-tell' });
	}
	return repairs;
}

/** What a neglected tank needs, in this order and no other. */
export const NEGLECTED_ORDER = [
	'test-first',
	'bind-ammonia',
	'carbonate-slowly',
	'small-changes',
	'test-between',
	'feed-little'
] as const;
export type NeglectedStep = (typeof NEGLECTED_ORDER)[number];

/** A tank whose buffer ran away while nobody looked: one big change would harm most. */
export function isNeglected(standings: readonly Standing[], stage: StageId | null): boolean {
	const alkalinity = standings.find((s) => s.parameter === 'alkalinity');
	const gone = alkalinity !== undefined && alkalinity.side === 'low' && alkalinity.grade === 'far-outside';
	return stage === 'neglected' || (gone && stage !== 'cycling');
}
