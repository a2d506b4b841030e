import type { SourceFit } from '$lib/core/judgement';
import { nameWithin, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { shortDay } from '../date.ts';
import { bandInUnit, resultInUnit } from '../quantity.ts';

const names = (parameters: readonly ParameterId[]) => parameters.map(nameWithin).join(', ');

/** Said wherever tap water is held against what animals want. */
export const SOURCE_CAUTION =
	'This tells only what was tested. Chlorine, copper and whatever else the tap brings are not in it: condition the water by the label of what you use, and ask the waterworks.';

/** "as last read on Mon 23 Nov" */
export function sourceRead(at: Instant | null, timeZone: string, now: Instant): string {
	return at === null ? 'not read yet' : `as last read on ${shortDay(at, timeZone, now)}`;
}

/** Whether a source has what a profile wants: what does not fit first, with what to do about it. */
export function sourceFitSentence(
	name: string,
	{ fits, misses, unsure, unread }: SourceFit,
	units: Readonly<Record<ParameterId, UnitId>>
): string {
	const off = misses.map(
		({ parameter, result, band }) =>
			`${nameWithin(parameter)} ${resultInUnit(result, units[parameter])}, wanted ${bandInUnit(parameter, band, units[parameter])}`
	);
	const sides = new Set(misses.map((m) => m.side));
	const parts = [
		off.length > 0 && `${name} does not fit as it is: ${off.join('; ')}.`,
		sides.has('high') && 'Purified water thins what is too much.',
		sides.has('low') && 'What is too little has to be added, in small steps.',
		fits.length > 0 && `${off.length > 0 ? 'It fits' : `${name} fits`} in ${names(fits)}.`,
		unsure.length > 0 && `Too near the edge to say: ${names(unsure)}.`,
		unread.length > 0 && `Not read of it: ${names(unread)}.`
	];
	return parts.filter(Boolean).join(' ');
}
