import type { RateMove } from '$lib/core/judgement/water';
import type { DoubtfulReading } from '$lib/core/plausibility';
import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import type { Departure } from '$lib/core/trend';
import { COVERAGE } from '$lib/core/uncertainty';
import { shortDay } from '../date.ts';
import { EVENT_NAMES } from '../log/event.ts';
import { inUnit, ratePerDay, resultInUnit } from '../quantity.ts';
import { SLIP_NAMES } from '../log/slip.ts';

type Units = Readonly<Record<ParameterId, UnitId>>;

/** Why a stored reading is asked about, in one or two sentences. */
export function doubtSentence(doubt: DoubtfulReading, units: Units, timeZone: string, now: Instant): string {
	const { parameter } = doubt;
	const unit = units[parameter];
	const m = inUnit(parameter, doubt.expected, doubt.sd, unit);
	const told = `${resultInUnit(doubt.result, unit)} on ${shortDay(doubt.at, timeZone, now)} does not fit; ${m.value} ± ${m.plusMinus} was expected.`;
	const [slip] = doubt.slips;
	if (!slip) {
		return doubt.settled
			? `${told} The readings after it went on as before.`
			: `${told} Either it is wrong or the water changed: a second test tells.`;
	}
	return `${told} Perhaps ${SLIP_NAMES[slip.kind]}: it would then be ${resultInUnit(slip.result, unit)}.`;
}

const both = (parameter: ParameterId, rate: { value: number; u: number }, unit: UnitId): string => {
	const m = ratePerDay(parameter, rate.value, rate.u, unit);
	return `${rate.value < 0 ? '−' : ''}${m.value} ± ${m.plusMinus}`;
};

/** "Alkalinity use rose from 0.80 to 1.20 dKH a day around the 4th." */
export function moveSentence(move: RateMove, units: Units, timeZone: string, now: Instant): string {
	const { parameter, before, after, how } = move;
	const unit = units[parameter];
	const direction =
		after.value > before.value
			? how === 'step'
				? 'rose'
				: 'has risen'
			: how === 'step'
				? 'fell'
				: 'has fallen';
	const from = both(parameter, before, unit);
	const to = both(parameter, after, unit);
	const name = PARAMETERS[parameter].name;
	const what = `${name} use ${direction} from ${from} to ${to} ${UNITS[unit].symbol} a day`;
	if (how === 'drift' || move.at === null) return `${what} over five weeks.`;
	const day = (at: Instant) => shortDay(at, timeZone, now);
	return `${what} around ${day(move.at)} (between ${day(move.earliest!)} and ${day(move.latest!)}).`;
}

/** What happened about the time of a move; empty where nothing was entered. */
export function besidesSentence(move: RateMove, timeZone: string, now: Instant): string {
	if (move.besides.length === 0) return 'Nothing was entered that would explain it.';
	const all = move.besides.map(
		({ kind, note, at }) =>
			`${kind === 'another-kit' ? 'another kit was read' : EVENT_NAMES[kind].toLowerCase()} on ${shortDay(at, timeZone, now)}${note ? ` (${note.replace(/\.$/, '')})` : ''}`
	);
	return `About then: ${all.join('; ')}.`;
}

/** What departs from calcification; empty while it is not seen. */
export function departureSentence({ perDay, z }: Departure, unit: UnitId): string {
	if (Math.abs(z) < COVERAGE) return '';
	const m = ratePerDay('alkalinity', perDay.value, perDay.u, unit);
	const amount = `${m.value} ± ${m.plusMinus} ${UNITS[unit].symbol} a day`;
	return perDay.value > 0
		? `Alkalinity falls by ${amount} more than the use of ${nameWithin('calcium')} explains: nitrification takes some, or the two doses are not as strong as their labels say.`
		: `${PARAMETERS.calcium.name} falls faster than alkalinity explains, by ${amount} of alkalinity: the two doses may not be as strong as their labels say.`;
}

/** Of what no step was found, and of what these readings could not have shown one. */
export function stepsLookedFor(
	rows: readonly { readonly parameter: ParameterId; readonly couldShow: boolean; readonly found: boolean }[]
): string {
	const named = (all: readonly { readonly parameter: ParameterId }[]) =>
		all.map(({ parameter }) => nameWithin(parameter)).join(', ');
	const none = rows.filter((r) => r.couldShow && !r.found);
	const tooFew = rows.filter((r) => !r.couldShow);
	return [
		none.length > 0 ? `No step of the use was found for ${named(none)}.` : '',
		tooFew.length > 0 ? `Read too seldom to show one: ${named(tooFew)}.` : ''
	]
		.filter(Boolean)
		.join(' ');
}
