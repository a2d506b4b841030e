import { roundTo } from '../numeric/index.ts';
import type { Fault } from '../result/index.ts';
import type { Portion, SyringeMethod } from '../method/index.ts';

/** Name and version of this form; stored beside every raw reading. */
export const SYRINGE_FORM = { name: 'syringe', version: 1 } as const;

/** More refills than this in one small titration are a mistake, not a measurement. */
export const MAX_FILLS = 6;

/** One look at the scale, mL. Both ends are equal on a mark and differ when it stood between two. */
export interface ScaleReading {
	readonly lowerMl: number;
	readonly upperMl: number;
}

/** What was read, exactly as it was made; never changed after it is stored. */
export interface SyringeReading {
	readonly portion: Portion;
	/** The sense of every number below: what was left in the syringe, or what was used of it. */
	readonly readAs: 'left' | 'used';
	/** One per filling, in order; `startMl` is what the syringe held, `end` what was read at its end. */
	readonly fills: readonly { readonly startMl: number; readonly end: ScaleReading }[];
	/** False when the reader was not sure of the mark: a division more on either side. */
	readonly sure: boolean;
}

/** The same reading in the other sense: left becomes used, with the ends in rising order again. */
export function otherScale(startMl: number, end: ScaleReading): ScaleReading {
	return {
		lowerMl: roundTo(startMl - end.upperMl, 1e-6),
		upperMl: roundTo(startMl - end.lowerMl, 1e-6)
	};
}

/** Slack of a position on the scale, mL: far below any division, far above the dust of binary fractions. */
const SLACK_ML = 1e-9;

/** A number that the scale can show: within it, on a mark or half-way between two. */
function isOnScale(ml: number, capacityMl: number, graduationMl: number): boolean {
	if (typeof ml !== 'number') return false;
	const halves = (2 * ml) / graduationMl;
	return ml >= -SLACK_ML && ml <= capacityMl + SLACK_ML && Math.abs(halves - Math.round(halves)) <= 1e-6;
}

/** Why a number cannot have been read there. */
function faultOfVolume(ml: number, field: string, method: SyringeMethod): Fault {
	const { capacityMl, graduationMl } = method.syringe;
	if (typeof ml !== 'number' || !Number.isFinite(ml)) return { code: 'not-a-number', field };
	if (ml < 0) return { code: 'below-zero', field };
	if (ml > capacityMl) return { code: 'beyond-syringe', field, details: { capacityMl } };
	return { code: 'finer-than-scale', field, details: { graduationMl } };
}

/**
 * The first thing that is wrong with a reading for the syringe it was made on, with its field, or null: numbers
 * within the scale, no finer than half a division, ends in order, refills plausible.
 */
export function faultInSyringeReading(method: SyringeMethod, reading: SyringeReading): Fault | null {
	const { capacityMl, graduationMl } = method.syringe;
	const { fills } = reading;
	if (method.sampleMl[reading.portion] === undefined) return { code: 'portion-unknown', field: 'portion' };
	if (fills.length === 0) return { code: 'no-fill', field: 'fills' };
	if (fills.length > MAX_FILLS)
		return { code: 'too-many-fills', field: 'fills', details: { most: MAX_FILLS } };
	for (let i = 0; i < fills.length; i++) {
		const { startMl, end } = fills[i]!;
		if (!isOnScale(startMl, capacityMl, graduationMl))
			return faultOfVolume(startMl, `fills.${i}.startMl`, method);
		if (!isOnScale(end.lowerMl, capacityMl, graduationMl)) {
			return faultOfVolume(end.lowerMl, `fills.${i}.end.lowerMl`, method);
		}
		if (!isOnScale(end.upperMl, capacityMl, graduationMl)) {
			return faultOfVolume(end.upperMl, `fills.${i}.end.upperMl`, method);
		}
		if (end.lowerMl > end.upperMl + SLACK_ML) return { code: 'range-reversed', field: `fills.${i}.end` };
		if (end.upperMl > startMl + SLACK_ML) {
			const details = { start: startMl, end: end.upperMl };
			return { code: 'start-below-end', field: `fills.${i}.end`, details };
		}
	}
	return null;
}
