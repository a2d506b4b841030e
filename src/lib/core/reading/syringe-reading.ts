import { atMost, atLeast, nearlyEqual, roundTo } from '../numeric/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import type { Portion, SyringeMethod } from '../method/index.ts';
import type { SyringeFill } from './delivered.ts';

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

function isHalfDivision(ml: number, graduationMl: number): boolean {
	const halves = (2 * ml) / graduationMl;
	return nearlyEqual(halves, Math.round(halves));
}

/**
 * Checks a reading against the syringe it was made on: numbers, within the scale, no finer than half a
 * division, ends in order, refills plausible. The first fault found is returned, with its field.
 */
export function checkSyringeReading(method: SyringeMethod, reading: SyringeReading): Result<SyringeReading> {
	const { capacityMl, graduationMl } = method.syringe;
	if (!Object.hasOwn(method.sampleMl, reading.portion)) return fail('portion-unknown', 'portion');
	if (reading.fills.length === 0) return fail('no-fill', 'fills');
	if (reading.fills.length > MAX_FILLS) return fail('too-many-fills', 'fills', { most: MAX_FILLS });
	for (const [i, fill] of reading.fills.entries()) {
		const numbers = [
			['startMl', fill.startMl],
			['end.lowerMl', fill.end.lowerMl],
			['end.upperMl', fill.end.upperMl]
		] as const;
		for (const [name, ml] of numbers) {
			const field = `fills.${i}.${name}`;
			if (typeof ml !== 'number' || !Number.isFinite(ml)) return fail('not-a-number', field);
			if (!atLeast(ml, 0)) return fail('below-zero', field);
			if (!atMost(ml, capacityMl)) return fail('beyond-syringe', field, { capacityMl });
			if (!isHalfDivision(ml, graduationMl)) return fail('finer-than-scale', field, { graduationMl });
		}
		if (!atMost(fill.end.lowerMl, fill.end.upperMl)) return fail('range-reversed', `fills.${i}.end`);
		if (!atMost(fill.end.upperMl, fill.startMl)) {
			return fail('start-below-end', `fills.${i}.end`, { start: fill.startMl, end: fill.end.upperMl });
		}
	}
	return ok(reading);
}

/** The reading as fillings with a start and an end, each end at the middle of what was read. */
export function fillsOf(reading: SyringeReading): SyringeFill[] {
	return reading.fills.map(({ startMl, end }) => {
		const middle = (end.lowerMl + end.upperMl) / 2;
		return { startMl, endMl: reading.readAs === 'left' ? middle : startMl - middle };
	});
}
