import type { ComparisonAnswer, KnownError, PairedComparison } from '$lib/contract/comparison';
import { PAIRS_TO_TELL, type Confound, type LikelierOff, type NextStep } from '$lib/core/comparison';
import { convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { shortDay } from '../date.ts';
import { fixed, percent, plain } from '../number.ts';
import { ratePerDay } from '../quantity.ts';

interface Names {
	readonly first: string;
	readonly second: string;
}

/** A difference in the chosen unit, with its sign and the digits of its uncertainty. */
export function differenceWords(parameter: ParameterId, difference: number, u: number, unit: UnitId): string {
	const m = ratePerDay(parameter, difference, u, unit);
	const sign = difference < 0 && Number(m.value) !== 0 ? '−' : '';
	return `${sign}${m.value}`;
}

const symbolOf = (unit: UnitId) => (unit === 'ph' ? '' : ` ${UNITS[unit].symbol}`);

/** "They differ: … reads 0.92 dKH higher than … (0.82 to 1.02)." */
export function comparisonSentence(
	parameter: ParameterId,
	{ verdict }: Pick<PairedComparison, 'verdict'>,
	names: Names,
	unit: UnitId
): string {
	const { grade, n, difference, u, lower, upper, matters, withinClaims, small, tooFew } = verdict;
	const say = (x: number) => differenceWords(parameter, x, u, unit);
	// Said from the side of the one that reads higher.
	const [from, to] = difference >= 0 ? [lower, upper] : [-upper, -lower];
	const range = `${say(from)} to ${say(to)}`;
	const symbol = symbolOf(unit);
	const least = `${plain(Number(convertSpan(matters, PARAMETERS[parameter].canonicalUnit, unit).toPrecision(2)))}${symbol}`;
	const [more, less] = difference >= 0 ? [names.first, names.second] : [names.second, names.first];
	const apart = `${more} reads ${say(Math.abs(difference))}${symbol} higher than ${less} (difference ${range})`;
	if (tooFew) {
		return `${n} ${n === 1 ? 'pair is' : 'pairs are'} too few to tell; it takes ${PAIRS_TO_TELL}. So far ${apart}.`;
	}
	switch (grade) {
		case 'agree':
			return `They agree: the difference is ${say(Math.abs(difference))}${symbol} (${range}); less than ${least} would not matter.`;
		case 'differ':
			return `They differ: ${apart}. ${
				small
					? `It is less than the ${least} that would matter.`
					: withinClaims
						? 'Both admit of as much: neither is shown to be wrong.'
						: 'That is more than both can explain.'
			}`;
		case 'cannot-tell':
			return `Nobody can tell yet: ${apart}; the interval leaves room for none, and for one that matters (${least}).`;
	}
}

const CONFOUND_WORDS: Readonly<Record<Confound, string>> = {
	kit: 'the kit',
	reader: 'the reader',
	sample: 'the sample'
};

/** What changes together with what is compared; empty where nothing does. */
export function confoundSentence(confounds: readonly Confound[], by: 'kit' | 'reader'): string {
	if (confounds.length === 0) return '';
	const others = confounds.map((c) => CONFOUND_WORDS[c]).join(' and ');
	return `In every pair ${others} changed together with ${by === 'kit' ? 'the kit' : 'the reader'}: the difference cannot be told to be of one of them. Read one sample, at one time, by one person.`;
}

export const NEXT_WORDS: Readonly<Record<NextStep, string>> = {
	'go-on': 'Nothing: use whichever is simpler and quicker.',
	'same-sample': 'Read both on one sample first, at one time, by one person.',
	'repeat-both': 'Repeat both on one sample before either is blamed.',
	'more-pairs': 'Read both side by side a few times more.',
	'run-standard': 'Test a standard with each: it tells which one is off.',
	'send-to-laboratory': 'Standards did not settle it: send a sample to a laboratory.',
	'correct-or-retire': 'Correct the one that is off by its check, or retire it.'
};

/** Which one is likelier off, in words. */
export function likelierSentence({ first, suspect }: LikelierOff, names: Names): string {
	if (suspect === null) {
		return `Which one is off cannot be told: the odds are ${fixed(100 * first, 0)} to ${fixed(100 * (1 - first), 0)} that it is ${names.first}.`;
	}
	const share = suspect === 'first' ? first : 1 - first;
	return `${suspect === 'first' ? names.first : names.second} is likelier off, with a probability of ${percent(share)}.`;
}

/** What is known of a side by itself. */
export function errorSentence(
	parameter: ParameterId,
	error: KnownError,
	name: string,
	unit: UnitId,
	timeZone: string,
	now: Instant
): string {
	const span = (x: number) => differenceWords(parameter, x, error.u, unit);
	const symbol = symbolOf(unit);
	switch (error.from) {
		case 'laboratory':
			return `${name} states ± ${span(2 * error.u)}${symbol} for itself.`;
		case 'claim':
			return `${name} was not checked on a standard; by its own make it may be off by ± ${span(2 * error.u)}${symbol}.`;
		case 'standard': {
			const when = error.checkedAt === null ? '' : ` on ${shortDay(error.checkedAt, timeZone, now)}`;
			const gone = error.retired ? ' It is retired.' : '';
			return error.corrected
				? `${name} was checked on a standard${when}, and its results are corrected by it (± ${span(2 * error.u)}${symbol}).${gone}`
				: `${name} was checked on a standard${when}: it read ${span(Math.abs(error.bias))} ± ${span(2 * error.u)}${symbol} too ${error.bias < 0 ? 'low' : 'high'}.${gone}`;
		}
	}
}

/** That two kits do not find the same thing, and what follows for their difference. */
export function formsSentence(
	{ first, second, apart }: NonNullable<ComparisonAnswer['forms']>,
	names: { readonly first: string; readonly second: string }
): string {
	const finds = `${names.first} finds ${first}; ${names.second} finds ${second}.`;
	return apart === 'not-interchangeable'
		? `${finds} These are two things: the total is at least as high, by as much as is bound in living and dead matter. Neither kit is wrong by it, and neither value can be reckoned from the other.`
		: `${finds} The part by which they differ is mostly small.`;
}
