import { addDays, type Instant } from '../time/index.ts';
import type { Subject } from './reader/known.ts';

/** Something that can be practised, with what is known of it. */
export interface Practisable {
	readonly subject: Subject;
	/** Readings in the last three months that hang on it. */
	readonly readings: number;
	/** Share of a usual result's variance that judging by eye has. */
	readonly share: number;
	/** Standard uncertainty now (own, or the kit's), and what the best of eyes come to; steps. */
	readonly u: number;
	readonly bestU: number;
	/** Days on which it was practised, oldest first. */
	readonly days: readonly Instant[];
}

export interface WorthPractising {
	readonly subject: Subject;
	/** By how much a usual result's interval could become narrower, as a share of its width. */
	readonly narrower: number;
	/** When it is best taken up again: what was learned is asked for as it begins to fade. */
	readonly dueAt: Instant;
}

/** Days until the next time, after the first, second … (the spacing effect: growing gaps; the figures are a choice). */
const GAPS = [1, 3, 7, 16, 35, 60] as const;

/** @see Cepeda et al. (2006), Psychological Bulletin 132, 354 */
function dueAfter(days: readonly Instant[], now: Instant): Instant {
	const last = days.at(-1);
	return last === undefined ? now : addDays(last, GAPS[Math.min(days.length, GAPS.length) - 1]!);
}

/**
 * What is worth practising: what would narrow this person's results most, and is due again. Never practised counts as due.
 *
 * @returns those that would narrow anything, due ones first, the most gain first
 */
export function whatNext(all: readonly Practisable[], now: Instant): readonly WorthPractising[] {
	return all
		.map(({ subject, readings, share, u, bestU, days }) => {
			const variance = 1 - share + share * Math.min(1, (bestU / u) ** 2);
			return {
				subject,
				narrower: 1 - Math.sqrt(variance),
				dueAt: dueAfter(days, now),
				gain: readings * (1 - Math.sqrt(variance))
			};
		})
		.filter((w) => w.gain > 0)
		.sort((a, b) => Number(b.dueAt <= now) - Number(a.dueAt <= now) || b.gain - a.gain)
		.map(({ gain: _, ...worth }) => worth);
}
