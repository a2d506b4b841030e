import type { Meter } from '../../method/index.ts';
import { roundTo } from '../../numeric/index.ts';
import type { Fault } from '../../result/index.ts';
import { faultOnScale } from '../form/check-number.ts';
import type { DropMarks } from '../form/raw-reading.ts';

/** More drops than this in one small titration are a mistake, not a measurement. */
export const MAX_DROPS = 400;
/** More fillings than this in one test likewise. */
export const MAX_LOADS = 20;

/**
 * The first thing that is wrong with a count of drops, with its field, or null. Drops that come from a filled syringe
 * cannot be more than it held: so many of the smallest that the kit admits.
 */
export function faultInDrops(marks: DropMarks, meter: Meter & { readonly kind: 'drops' }): Fault | null {
	const scale = { least: 0, most: MAX_DROPS, finest: 1, unit: 'drops' };
	const { least, most, bad, loads, addedAfter = 0 } = marks;
	const fault =
		faultOnScale(least, 'least', scale) ??
		faultOnScale(most, 'most', scale) ??
		(loads === undefined
			? null
			: faultOnScale(loads, 'loads', { least: 1, most: MAX_LOADS, finest: 1, unit: '' }));
	if (fault) return fault;
	if (least > most) return { code: 'range-reversed', field: 'most' };
	const { loadMl, dropMl, relativeTolerance } = meter;
	const smallest = dropMl * (1 - relativeTolerance);
	// The last may be begun when the syringe is all but empty.
	if (loadMl !== undefined && (least - bad - 1) * smallest > loadMl * (loads ?? 1)) {
		const details = {
			drops: least,
			ml: roundTo(least * dropMl, 0.01),
			loadMl: roundTo(loadMl * (loads ?? 1), 0.01)
		};
		return { code: 'beyond-load', field: 'least', details };
	}
	return (
		faultOnScale(bad, 'bad', { ...scale, most }) ?? faultOnScale(addedAfter, 'addedAfter', { ...scale, most })
	);
}
