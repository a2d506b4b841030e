import type { AfterCycle, CyclePhase, CycleState, CycleTrack } from '$lib/core/judgement';
import type { CycleToday } from '$lib/core/judgement/water';
import { nameWithin, PARAMETERS } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { shortDay } from '../date.ts';
import { plain } from '../number.ts';

export const PHASE_WORDS: Readonly<Record<CyclePhase, string>> = {
	'not-seen': 'Nothing was found yet: it has not begun, or began before the first test',
	'ammonia-rising': 'Ammonia rises',
	'ammonia-falling': 'Ammonia falls; nitrite comes next',
	'nitrite-rising': 'Nitrite rises',
	'nitrite-falling': 'Nitrite falls',
	'ammonia-back':
		'Ammonia was gone and is back: look for something dead, food that was left, a filter that stood',
	'nitrite-back':
		'Nitrite was gone and is back: look for something dead, food that was left, a filter that stood',
	clearing: 'Clear, and to be confirmed',
	done: 'Done'
};

const mg = (x: number) => plain(Number(x.toPrecision(2)));
const days = (n: number) => (n === 1 ? '1 day' : `${n} days`);

/** "Ammonia peaked on Mon 9 Nov at 2.5 or more; first zero on …; clear for 5 days." */
export function trackSentence(
	track: CycleTrack | null,
	timeZone: string,
	now: Instant,
	parameter: 'ammonia' | 'nitrite'
): string {
	const name = PARAMETERS[parameter].name;
	if (!track) return `${name} was not tested yet.`;
	const { peak, falling, firstZeroAt, clearDays, cameBack, inDoubt } = track;
	if (!peak) return `${name} was not found in any test so far.`;
	const height = peak.upper === null ? `above ${mg(peak.lower)}` : `${mg(peak.lower)} to ${mg(peak.upper)}`;
	const said = [`${name} peaked on ${shortDay(peak.at, timeZone, now)} at ${height} mg/L`];
	if (firstZeroAt === null) said.push(falling ? 'and falls' : 'and has not fallen for certain yet');
	else said.push(`first zero on ${shortDay(firstZeroAt, timeZone, now)}`);
	if (clearDays > 0) said.push(`clear for ${days(clearDays)} in a row`);
	else if (cameBack) said.push(falling ? 'it came back since, and falls' : 'it came back since');
	if (inDoubt) said.push('a trace was read last: the next reading tells');
	return `${said.join('; ')}.`;
}

/** What the kits cannot see, since "none" is never nothing. */
export function unseenSentence({ unseen }: Pick<CycleState, 'unseen'>): string {
	const told = (['ammonia', 'nitrite'] as const).flatMap((p) =>
		unseen[p] === null ? [] : [`less than ${mg(unseen[p])} mg/L of ${nameWithin(p)}`]
	);
	return told.length === 0
		? ''
		: `Clear means none on the kit: ${told.join(' and ')} may be there and not be seen.`;
}

/** What is missing until it is done, or since when it is. */
export function cycleHeadline({ state }: Pick<CycleToday, 'state'>, timeZone: string, now: Instant): string {
	const { phase, doneAt, clearDays, needed } = state;
	if (doneAt !== null) {
		return `The cycle is done since ${shortDay(doneAt, timeZone, now)}: ${days(needed)} in a row were clear.`;
	}
	if (phase === 'clearing' || clearDays > 0) {
		return `${PHASE_WORDS[phase]}. ${clearDays} of ${days(needed)} in a row are clear; test again tomorrow.`;
	}
	return `${PHASE_WORDS[phase]}. It is done when ${days(needed)} in a row are clear.`;
}

/** What comes after the cycle. */
export function afterSentence(after: AfterCycle): string {
	switch (after.step) {
		case 'measure-nitrate':
			return 'Read nitrate now: it tells how much water to change before the first animals.';
		case 'lower-nitrate':
			return after.share >= 0.5
				? `Change half of the water, then read nitrate again: it is to come below ${mg(after.to)} mg/L.`
				: `Change about ${Math.ceil(after.share * 20) * 5} % of the water: nitrate is to come below ${mg(after.to)} mg/L.`;
		case 'first-animals':
			return 'Nitrate is low enough. The first animals may come, few at a time; test ammonia and nitrite daily for the week after.';
	}
}
