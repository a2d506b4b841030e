import type { Fault } from '../../result/index.ts';
import { faultOnScale } from '../form/check-number.ts';
import type { DropMarks } from '../form/raw-reading.ts';

/** More drops than this in one small titration are a mistake, not a measurement. */
export const MAX_DROPS = 400;

/** The first thing that is wrong with a count of drops, with its field, or null. */
export function faultInDrops(marks: DropMarks): Fault | null {
	const scale = { least: 0, most: MAX_DROPS, finest: 1, unit: 'drops' };
	const { least, most, bad } = marks;
	const fault = faultOnScale(least, 'least', scale) ?? faultOnScale(most, 'most', scale);
	if (fault) return fault;
	if (least > most) return { code: 'range-reversed', field: 'most' };
	return faultOnScale(bad, 'bad', { ...scale, most });
}
