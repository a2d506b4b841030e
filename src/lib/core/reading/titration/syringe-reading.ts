import type { Meter } from '../../method/index.ts';
import { roundTo } from '../../numeric/index.ts';
import type { Fault } from '../../result/index.ts';
import { faultOnScale } from '../form/check-number.ts';
import type { ScaleReading, SyringeMarks } from '../form/raw-reading.ts';

type SyringeMeter = Extract<Meter, { kind: 'syringe' }>;

/** More refills than this in one small titration are a mistake, not a measurement. */
export const MAX_FILLS = 6;

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
function faultOfVolume(ml: number, field: string, { capacityMl, graduationMl }: SyringeMeter): Fault {
	if (typeof ml !== 'number' || !Number.isFinite(ml)) return { code: 'not-a-number', field };
	if (ml < 0) return { code: 'below-zero', field };
	if (ml > capacityMl) return { code: 'beyond-syringe', field, details: { capacityMl } };
	return { code: 'finer-than-scale', field, details: { graduationMl } };
}

/**
 * The first thing that is wrong with a reading for the syringe it was made on, with its field, or null: numbers
 * within the scale, no finer than half a division, ends in order, refills plausible.
 */
export function faultInSyringeMarks(meter: SyringeMeter, marks: SyringeMarks): Fault | null {
	const { capacityMl, graduationMl } = meter;
	const { fills, readAs, addedAfter = 0 } = marks;
	if (fills.length === 0) return { code: 'no-fill', field: 'fills' };
	if (fills.length > MAX_FILLS)
		return { code: 'too-many-fills', field: 'fills', details: { most: MAX_FILLS } };
	for (let i = 0; i < fills.length; i++) {
		const { startMl, end } = fills[i]!;
		// Nearly every one begins full.
		if (startMl !== capacityMl && !isOnScale(startMl, capacityMl, graduationMl))
			return faultOfVolume(startMl, `fills.${i}.startMl`, meter);
		if (!isOnScale(end.lowerMl, capacityMl, graduationMl)) {
			return faultOfVolume(end.lowerMl, `fills.${i}.end.lowerMl`, meter);
		}
		if (end.upperMl !== end.lowerMl && !isOnScale(end.upperMl, capacityMl, graduationMl)) {
			return faultOfVolume(end.upperMl, `fills.${i}.end.upperMl`, meter);
		}
		if (end.lowerMl > end.upperMl + SLACK_ML) return { code: 'range-reversed', field: `fills.${i}.end` };
		if (end.upperMl > startMl + SLACK_ML) {
			const details = { start: startMl, end: end.upperMl };
			return { code: 'start-below-end', field: `fills.${i}.end`, details };
		}
	}
	const used = fills.reduce(
		(ml, { startMl, end }) => ml + (readAs === 'used' ? end.upperMl : startMl - end.lowerMl),
		0
	);
	return faultOnScale(addedAfter, 'addedAfter', { least: 0, most: roundTo(used, 1e-6), unit: 'mL' });
}
