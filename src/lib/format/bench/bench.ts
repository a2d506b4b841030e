import type { Guidance } from '$lib/contract/choices';
import type { Overdue, Wish } from '$lib/core/bench';
import type { DueTest, Happening, WhyDue } from '$lib/core/judgement';
import type { ProtocolStep } from '$lib/core/method';
import type { Deviation, DeviationEffect, Mishap } from '$lib/core/reading';
import { percent, plain } from '../number';

export const HAPPENING_NAMES: Readonly<Record<Happening, string>> = {
	death: 'An animal died',
	algae: 'Algae spread',
	browning: 'Corals turn brown or lose tissue',
	'new-salt': 'A new batch or brand of salt',
	'new-medium': 'A new medium in the filter',
	moved: 'An animal moved in or over',
	doubtful: 'The last result is in doubt',
	'before-change': 'Before a water change',
	'after-change': 'After a water change'
};

const days = (n: number) => (n === 1 ? 'day' : `${n} days`);

/** Why a test is proposed, under its name. */
export function whyDue({ why }: Pick<DueTest, 'why'>): string {
	switch (why.kind) {
		case 'never':
			return 'Never read in this water';
		case 'doubt':
			return 'The last reading does not fit; a second one tells which is right';
		case 'happening':
			return HAPPENING_NAMES[why.what];
		case 'interval':
			return intervalWords(why);
		case 'outside':
			return `${readSince(why.days)}; by then the chance of being outside has grown to ${percent(why.chance)}`;
		case 'edge':
			return `${readSince(why.days)}; it stood at the edge of its band, and may have left it since`;
		case 'unknown':
			return `${readSince(why.days)}; by then it is known to no better than ± ${plain(Number(why.plusMinus.toPrecision(2)))}`;
		case 'steady':
			return `${readSince(why.days)}; it keeps steady (${percent(why.chance)} chance of being outside), so it is left for ${days(why.everyDays)}`;
		case 'confirm':
			return `${readSince(why.days)}, outside its band; a second one confirms it, or tells that it is mended`;
		case 'danger':
			return 'It may be outside, and harms within days: it is tested again at once';
		case 'plan':
			return 'The correction under way has a test on that day';
		case 'dose-set':
			return 'The daily dose was set anew; a test within two days tells whether that was right';
		case 'strange':
			return 'It moves as in no tank';
		case 'session':
			return 'It is part of a planned session';
		case 'habit':
			return `${readSince(why.days)}; a fixed testing day, every ${days(why.everyDays)}`;
	}
}

function readSince(sinceDays: number): string {
	const since = Math.round(sinceDays);
	return since <= 0 ? 'Read today' : since === 1 ? 'Read yesterday' : `Read ${since} days ago`;
}

function intervalWords(why: Extract<WhyDue, { kind: 'interval' }>): string {
	const read = readSince(why.days);
	const every = `every ${days(why.everyDays)}`;
	if (why.medium) return `${read}; ${every}, because a phosphate medium hides the signs`;
	switch (why.phase) {
		case 'cycling':
			return `${read}; ${every} while the tank cycles`;
		case 'learning':
			return `${read}; ${every} while this water is being learned`;
		case 'settled':
			return `${read}; ${every} at the longest`;
	}
}

export const GUIDANCE_NAMES: Readonly<Record<Guidance, string>> = {
	full: 'Every hand movement',
	card: 'The card',
	counts: 'Counts and timers only'
};

export const MISHAP_NAMES: Readonly<Record<Mishap, string>> = {
	spilled: 'Something was spilled or lost',
	'lost-count': 'I lost count',
	mixed: 'It was mixed although it should rest'
};

/** "1:35 min late" */
export function lateWords(seconds: number): string {
	const s = Math.max(1, Math.round(seconds));
	if (s < 60) return `${s} s late`;
	return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')} min late`;
}

/** What a deviation does to the result. */
export function effectWords({ relative, repeat }: DeviationEffect): string {
	if (repeat) return 'The result cannot be trusted: test again.';
	if (relative < 0.005) return 'It changes nothing in the result.';
	return `The result is less certain by ${percent(relative)} of its value.`;
}

/** A step that was not done as written, in one sentence. */
export function deviationWords(deviation: Deviation, step: ProtocolStep | undefined): string {
	const name = step ? `“${step.say}”` : deviation.stepId;
	switch (deviation.what) {
		case 'count':
			return `${name} had ${deviation.actual} of ${deviation.planned} drops.`;
		case 'seconds':
			return `${name} took ${deviation.actual} s instead of ${deviation.planned} s.`;
		case 'spilled':
			return `At ${name} something was spilled.`;
		case 'lost-count':
			return `At ${name} the count was lost.`;
		case 'mixed':
			return `At ${name} it was mixed although it should rest.`;
	}
}

/** A wait that has gone on for too long, said at once. */
export function overdueWords({ step, lateS, effect }: Overdue, test: string): string {
	return `${test}: “${step.say}” is over, ${lateWords(lateS)}. ${effectWords(effect)}`;
}

/** A wish that cannot be kept. */
export function wishWords(wish: Wish, nameOf: (test: string) => string): string {
	switch (wish.kind) {
		case 'pin': {
			const minutes = Math.round(wish.atS / 60);
			return `${nameOf(wish.step.split('/')[0]!)} at ${minutes} min cannot be kept beside the rest.`;
		}
		case 'first':
			return `${nameOf(wish.test)} cannot come before ${nameOf(wish.before)}.`;
		case 'alone':
			return `Nothing else in between cannot be kept for ${nameOf(wish.test)}.`;
	}
}

/** "exactly 6 min", "30 s": how long a wait is, as short as can be. */
export function durationOf({ action }: ProtocolStep): string {
	if (!('seconds' in action)) return '';
	const short = (s: number) => (s % 60 === 0 ? `${s / 60} min` : `${s} s`);
	if (action.kind === 'filter') return `filters, about ${short(action.seconds)}`;
	if (action.kind !== 'stand') return short(action.seconds);
	if (action.exactly) return `exactly ${short(action.seconds)}`;
	if (action.upToSeconds !== undefined) return `${short(action.seconds)} to ${short(action.upToSeconds)}`;
	return short(action.seconds);
}
