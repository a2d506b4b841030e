import { nearlyEqual, roundTo } from '../../numeric/index.ts';

/**
 * A position on a scale as it is read: both ends are the mark that it stands on, or the two marks that it stands between.
 *
 * @param at in the scale's unit, on a mark or half-way between two
 * @param graduation from mark to mark
 * @example marksAround(0.415, 0.01) // [0.41, 0.42]
 */
export function marksAround(at: number, graduation: number): readonly [lower: number, upper: number] {
	const half = graduation / 2;
	const divisions = at / graduation;
	if (nearlyEqual(divisions, Math.round(divisions))) {
		const mark = roundTo(at, half);
		return [mark, mark];
	}
	return [roundTo(at - half, half), roundTo(at + half, half)];
}
