import type { LeftOut } from '$lib/core/judgement/water';
import { PARAMETERS, POSSIBLE_IN_WATER, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Unsound } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import { shortDay } from '../date';
import { resultInUnit } from '../quantity';

const WHY: Readonly<Record<Unsound, (can: string) => string>> = {
	'no-number': () => 'it has no number that can be reckoned with',
	impossible: (can) => `a water can hold ${can}`,
	empty: () => 'it leaves no place between its ends',
	'says-nothing': (can) => `it says nothing of a water, which can hold ${can}`
};

/** What stands out of all reckoning, why, and where it is put right. */
export function leftOutWords(
	item: LeftOut,
	base: string,
	units: Readonly<Record<ParameterId, UnitId>>,
	timeZone: string,
	now: Instant
): { readonly text: string; readonly href: string; readonly link: string } {
	if (item.kind === 'line') {
		return {
			text: `${PARAMETERS[item.parameter].name} could not be reckoned: its readings do not fit any course. What was read stands in the log.`,
			href: `${base}/log?what=${item.parameter}`,
			link: 'Look at its readings'
		};
	}
	const { parameter } = item.result;
	const { least, most, unit } = POSSIBLE_IN_WATER[parameter];
	// A bound at the end of what can be leaves no place for any water.
	const why = item.why === 'empty' && item.result.kind === 'bound' ? 'impossible' : item.why;
	const can = `${least} to ${most}${unit ? ` ${unit}` : ''}`;
	return {
		text: `${PARAMETERS[parameter].name} ${resultInUnit(item.result, units[parameter])} of ${shortDay(item.at, timeZone, now)} is left out of all reckoning: ${WHY[why](can)}.`,
		href: `${base}/log/${item.readingId}`,
		link: 'Put it right'
	};
}
