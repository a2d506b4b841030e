import type { StrangeMove } from '$lib/core/correction';
import { NH3_WATCH, type RunOfSide, type Verdict } from '$lib/core/judgement';
import type { MatterToday } from '$lib/core/judgement/water';
import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { askWords } from '../adjust/adjust.ts';
import { HAPPENING_NAMES } from '../bench/bench.ts';
import { ago } from '../date.ts';
import { besidesSentence, departureSentence, doubtSentence, moveSentence } from '../trends/estimate.ts';
import { plain } from '../number.ts';
import { inUnit } from '../quantity.ts';
import { findingSentence, RULE_WORDS } from './rules.ts';
import { gradeWords, urgencySentence } from './verdict.ts';

export interface MatterContext {
	readonly units: Readonly<Record<ParameterId, UnitId>>;
	readonly timeZone: string;
	readonly now: Instant;
	/** The address of the water. */
	readonly base: string;
}

export interface MatterWords {
	readonly title: string;
	readonly text: string;
	/** Where more of it stands, or where one acts on it. */
	readonly link: { readonly href: string; readonly text: string } | null;
}

function verdictTitle(parameter: ParameterId, { grade, side }: Verdict): string {
	return `${PARAMETERS[parameter].name}: ${gradeWords(grade, side).toLowerCase()}.`;
}

/** "5 readings in a row lie above the aim, by 0.5 ± 0.2 PSU on average." */
export function runSentence(parameter: ParameterId, run: RunOfSide, unit: UnitId): string {
	const m = inUnit(parameter, Math.abs(run.distance), run.u, unit);
	const symbol = UNITS[unit].family === 'salinity' && unit !== 'psu' ? '' : ` ${UNITS[unit].symbol}`;
	const by =
		UNITS[unit].family === 'salinity' && unit !== 'psu'
			? ''
			: `, by ${m.value} ± ${m.plusMinus}${symbol} on average`;
	return `${run.count} readings in a row lie ${run.side === 'high' ? 'above' : 'below'} the aim${by}. One alone would say nothing.`;
}

const freeText = (matter: Extract<MatterToday, { kind: 'free-ammonia' }>): string => {
	const { least, most, assumed } = matter.free;
	const two = (x: number) => plain(Number(x.toPrecision(2)));
	const taken =
		assumed.length === 0
			? ''
			: ` ${assumed.map((a) => (a === 'ph' ? 'pH' : a)).join(' and ')} ${assumed.length === 1 ? 'was' : 'were'} not read in the last days: the worst that is plausible is taken.`;
	const range = most === null ? `At least ${two(least)}` : `${two(least)} to ${two(most)}`;
	return `${range} mg/L NH₃ are possible; from ${two(NH3_WATCH)} on it harms.${taken} Stop feeding, change water, keep pH from rising, test again today.`;
};

const STRANGE_TITLES: Readonly<Record<StrangeMove['kind'], (name: string) => string>> = {
	'stopped-pump': (name) => `${name}: does the dosing pump run?`,
	'falls-too-fast': (name) => `${name} falls as in no tank.`,
	'rises-too-fast': (name) => `${name} rises as in no tank.`
};

const CYCLE_WORDS: Readonly<
	Record<Extract<MatterToday, { kind: 'cycle' }>['what'], { title: string; text: string }>
> = {
	'first-zero': {
		title: 'The first zero of nitrite.',
		text: 'It is provisional: test the next days before the large water change.'
	},
	done: { title: 'The cycle is done.', text: 'What comes next stands beside its curve.' },
	'came-back': {
		title: 'It came back after it was clear.',
		text: 'The days are counted anew. Something feeds it: a body, too much food, a filter that stood still.'
	},
	'in-doubt': {
		title: 'A trace after clear days.',
		text: 'It may be a slip of the eye. Test again: the next reading tells.'
	}
};

/** A danger in words, with what is done by it: one that a correction mends leads there. */
export function dangerWords(matter: MatterToday, context: MatterContext): MatterWords {
	const words = matterWords(matter, context);
	const adjust = { href: `${context.base}/adjust`, text: 'Put it right' };
	return matter.kind === 'verdict' ? { ...words, link: adjust } : words;
}

/** A matter in words: what it is, what it says, and where to go with it. */
export function matterWords(matter: MatterToday, context: MatterContext): MatterWords {
	const { units, timeZone, now, base } = context;
	switch (matter.kind) {
		case 'verdict': {
			const { parameter, verdict } = matter;
			return {
				title: verdictTitle(parameter, verdict),
				text: urgencySentence(matter),
				link: { href: `${base}/bench`, text: 'Test again' }
			};
		}
		case 'free-ammonia':
			return {
				title: 'Free ammonia may harm.',
				text: freeText(matter),
				link: { href: `${base}/bench?what=death`, text: 'What to test now' }
			};
		case 'strange-move':
			return {
				title: STRANGE_TITLES[matter.move.kind](PARAMETERS[matter.move.parameter].name),
				text: askWords(matter.move, units),
				link: { href: `${base}/bench`, text: 'Test again' }
			};
		case 'panel': {
			const { happening, eventId, at, missing } = matter.panel;
			return {
				title: `${HAPPENING_NAMES[happening]}, ${ago(at, timeZone, now)}.`,
				text: `Not tested since: ${missing.map(nameWithin).join(', ')}.`,
				link: { href: `${base}/panel/${happening}?event=${eventId}`, text: 'Why, and what it would mean' }
			};
		}
		case 'finding':
			return {
				title: `${RULE_WORDS[matter.finding.rule].title}.`,
				text: findingSentence(matter.finding),
				link: { href: `${base}/findings#${matter.finding.rule}`, text: 'The reason' }
			};
		case 'run':
			return {
				title: `${PARAMETERS[matter.parameter].name} stays on one side.`,
				text: runSentence(matter.parameter, matter.run, units[matter.parameter]),
				link: { href: `${base}/trends`, text: 'Look at the trend' }
			};
		case 'doubt':
			return {
				title: `${PARAMETERS[matter.doubt.parameter].name}: a reading to look at.`,
				text: doubtSentence(matter.doubt, units, timeZone, now),
				link: { href: `${base}/log/${matter.doubt.readingId}`, text: 'Look at it' }
			};
		case 'move':
			return {
				title: `${PARAMETERS[matter.move.parameter].name}: the use has changed.`,
				text: `${moveSentence(matter.move, units, timeZone, now)} ${besidesSentence(matter.move, timeZone, now)}`,
				link: null
			};
		case 'departure':
			return {
				title: 'Alkalinity and calcium part ways.',
				text: departureSentence(matter.departure, units.alkalinity),
				link: null
			};
		case 'cycle':
			return { ...CYCLE_WORDS[matter.what], link: null };
	}
}
