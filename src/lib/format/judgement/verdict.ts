import type { Going, Grade, Urgency, Verdict } from '$lib/core/judgement';
import { PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { BoundResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { shortDay } from '../date.ts';
import { percent } from '../number.ts';
import { bandInUnit, inUnit, ratePerDay } from '../quantity.ts';

const SIDE = { low: 'low', high: 'high' } as const;

/** The judgement in two or three words. */
export function gradeWords(grade: Grade | null, side: 'low' | 'high' | null): string {
	switch (grade) {
		case null:
			return 'No band set';
		case 'inside':
			return 'Inside';
		case 'probably-inside':
			return 'Probably inside';
		case 'cannot-tell':
			return side === 'low' ? 'At the lower edge' : 'At the upper edge';
		case 'probably-outside':
			return `Probably outside, ${side ? SIDE[side] : ''}`;
		case 'outside':
			return `Outside, ${side ? SIDE[side] : ''}`;
		case 'far-outside':
			return `Far outside, ${side ? SIDE[side] : ''}`;
	}
}

/** What an outside or undecided verdict asks for. */
export function urgencySentence({
	verdict: { grade },
	going,
	urgency,
	early,
	single
}: {
	readonly verdict: Verdict;
	readonly going: Going;
	readonly urgency: Urgency;
	readonly early: boolean;
	readonly single: boolean;
}): string {
	const way =
		going === 'better' ? ' It is getting better.' : going === 'worse' ? ' It is getting worse.' : '';
	const from = single ? ' By one reading alone.' : '';
	if (grade === 'cannot-tell' && urgency === 'act' && early) {
		return `The readings cannot tell whether it is inside, and this one harms within days: test again at once, and act as if it were outside.${way}${from}`;
	}
	if (grade === 'cannot-tell') {
		return `The readings cannot tell whether it is inside. Another test narrows it.${way}${from}`;
	}
	const act =
		urgency === 'act'
			? early
				? 'Test again at once, and act while it is only likely: this one harms within days.'
				: 'Test again before you correct it, and change it slowly.'
			: 'Watch it: test again before you correct it, and change it slowly.';
	return `${act}${way}${from}`;
}

export function isWarning(grade: Grade | null): boolean {
	return grade === 'outside' || grade === 'far-outside' || grade === 'probably-outside';
}

/** One sentence on the band, ready to stand under a result. */
export function verdictSentence(parameter: ParameterId, verdict: Verdict, unit: UnitId): string {
	const { grade, side, band, probabilities } = verdict;
	if (!band || !probabilities) return 'No band is set for it in this water.';
	const range = `${bandInUnit(parameter, band, unit)} ${UNITS[unit].symbol}`;
	const chance = percent(probabilities.pIn);
	switch (grade) {
		case 'inside':
			return `Inside ${range}.`;
		case 'probably-inside':
			return `Probably inside ${range}; the chance is ${chance}.`;
		case 'cannot-tell':
			return `At the ${side === 'low' ? 'lower' : 'upper'} edge of ${range}: this test cannot tell which side. The chance of being inside is ${chance}.`;
		case 'probably-outside':
			return `Probably ${side === 'low' ? 'below' : 'above'} ${range}; the chance of being inside is ${chance}.`;
		case 'far-outside':
			return `Far ${side === 'low' ? 'below' : 'above'} ${range}.`;
		default:
			return `${side === 'low' ? 'Below' : 'Above'} ${range}.`;
	}
}

/** What a bound says, and what to do next. It is compared with the band as the bound it is. */
export function boundSentence(
	{ parameter, sense, limit }: BoundResult,
	band: { readonly low: number | null; readonly high: number | null } | null,
	unit: UnitId
): string {
	const next =
		sense === '>'
			? 'Thin the sample and test again to have a number.'
			: 'A larger sample or a finer kit would tell how much.';
	if (!band) return `This is a bound, not a number. ${next}`;
	const range = `${bandInUnit(parameter, band, unit)} ${UNITS[unit].symbol}`;
	if (sense === '>' && band.high !== null && limit >= band.high) return `Above ${range}. ${next}`;
	if (sense === '<' && band.low !== null && limit <= band.low) return `Below ${range}. ${next}`;
	if (sense === '<' && band.low === null && band.high !== null && limit <= band.high)
		return `Inside ${range}.`;
	return `This bound cannot tell whether it is inside ${range}. ${next}`;
}

/** Whether the reading is what was expected; empty without a history. */
export function expectationSentence(parameter: ParameterId, verdict: Verdict, unit: UnitId): string {
	const e = verdict.expectation;
	if (!e) return '';
	const m = inUnit(parameter, e.value, e.sd, unit);
	const expected = `${m.value} ± ${m.plusMinus} ${UNITS[unit].symbol} was expected`;
	return e.fits
		? `As expected: ${expected} for this reading.`
		: `Surprising: ${expected} for this reading. Test again before acting on it.`;
}

export interface RateInWords {
	readonly parameter: ParameterId;
	readonly netChangePerDay: { readonly value: number; readonly u: number };
	readonly basedOn: number;
	readonly leavesInDays: number | null;
}

/** "Falling 0.04 a day; leaves the band in about 10 days." A rate that is not seen is not claimed. */
export function rateSentence(
	{ parameter, netChangePerDay: net, basedOn, leavesInDays }: RateInWords,
	unit: UnitId
): string {
	if (basedOn < 2) return 'One reading: no trend yet.';
	if (Math.abs(net.value) <= 2 * net.u) return 'No change seen.';
	const rate = ratePerDay(parameter, net.value, net.u, unit).value;
	const direction = `${net.value < 0 ? 'Falling' : 'Rising'} ${rate} a day`;
	if (leavesInDays === null) return `${direction}.`;
	const days = Math.max(1, Math.round(leavesInDays));
	return `${direction}; leaves the band in about ${days === 1 ? 'a day' : `${days} days`}.`;
}

/** The one thing about where it goes that matters most, in a clause: when it leaves, else how fast it moves. */
export function clauseWords(rate: RateInWords, unit: UnitId): string {
	const { parameter, netChangePerDay: net, basedOn, leavesInDays } = rate;
	if (basedOn < 2) return 'One reading: no trend yet';
	if (Math.abs(net.value) <= 2 * net.u) return 'No change seen';
	if (leavesInDays !== null) {
		const days = Math.max(1, Math.round(leavesInDays));
		return `Leaves in about ${days === 1 ? 'a day' : `${days} days`}`;
	}
	return `${net.value < 0 ? 'Falling' : 'Rising'} ${ratePerDay(parameter, net.value, net.u, unit).value} a day`;
}

/** The same row said in full for those who do not see the drawing. */
export function stripInWords(
	parameter: ParameterId,
	row: {
		readonly now: { readonly value: number; readonly uRandom: number; readonly uCommon: number };
		readonly band: { readonly low: number | null; readonly high: number | null } | null;
		readonly last: { readonly at: Instant };
	},
	unit: UnitId,
	timeZone: string,
	now: Instant
): string {
	const m = inUnit(parameter, row.now.value, standardUncertaintyOf(row.now), unit);
	const band = row.band ? ` Band ${bandInUnit(parameter, row.band, unit)}.` : '';
	return `${PARAMETERS[parameter].name}, estimated ${m.value} plus or minus ${m.plusMinus} ${UNITS[unit].symbol}.${band} Last read ${shortDay(row.last.at, timeZone, now)}.`;
}
