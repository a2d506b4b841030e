import type { SlipKind } from '../../plausibility/index.ts';
import type { Misreading } from '../exercise/scales.ts';
import type { Trial } from '../trial.ts';

/** Which misreading of an exercise is which slip of the finder; the others it doesn't look for. */
const AS_SLIP: Readonly<Partial<Record<Misreading, SlipKind>>> = {
	'left-for-used': 'left-for-used',
	'liquid-line': 'liquid-line',
	'other-edge': 'liquid-line',
	'upside-down': 'upside-down'
};
/** A drill is made to mislead: what happens in it counts for so much of a reading at the bench (choice). */
const DRILL_WEIGHS = 0.15;

/** Slips that a person made on drawn scales, as so many confirmed ones among so many readings. */
export function slipsInPractice(trials: readonly Trial[]): {
	readonly confirmed: Partial<Record<SlipKind, number>>;
	readonly readings: number;
} {
	const confirmed: Partial<Record<SlipKind, number>> = {};
	let readings = 0;
	for (const trial of trials) {
		if (trial.kind !== 'scale' || trial.scale !== 'syringe') continue;
		readings += DRILL_WEIGHS;
		const kind = trial.slip === null ? undefined : AS_SLIP[trial.slip];
		if (kind) confirmed[kind] = (confirmed[kind] ?? 0) + DRILL_WEIGHS;
	}
	return { confirmed, readings };
}
