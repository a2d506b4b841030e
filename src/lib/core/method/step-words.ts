import type { NamedColour } from './named-colour.ts';
import type { ProtocolStep, StepAction } from './protocol.ts';

/** Likely hands-on times in seconds, the same for every method. */
export const HANDS_S = {
	setUp: 40,
	draw: 25,
	fillSyringe: 20,
	countedDrop: 2,
	scoop: 15,
	invert: 2,
	titrationDrop: 4,
	readAndEnter: 15
} as const;

export function durationWords(seconds: number): string {
	if (seconds % 60 !== 0 || seconds < 60) return `${seconds} ${seconds === 1 ? 'second' : 'seconds'}`;
	return `${seconds / 60} ${seconds === 60 ? 'minute' : 'minutes'}`;
}

const counted = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

interface Words {
	readonly say: string;
	readonly detail: string;
	readonly why: string;
}

type WordsOf = {
	readonly [K in StepAction['kind']]: (action: StepAction & { readonly kind: K }, reagent: string) => Words;
};

function rangeWords(from: number, to: number): string {
	return from % 60 === 0 && to % 60 === 0
		? `${from / 60} to ${durationWords(to)}`
		: `${from} to ${durationWords(to)}`;
}

/** The wording of every kind of step, written once; a method may say it in its own words instead. */
const WORDS_OF: WordsOf = {
	prepare: () => ({
		say: 'Rinse the vial with purified water, then with the water to be tested',
		detail: 'Pour both away. Dry the outside. Have a timer, good light and something white behind the vial.',
		why: 'What an earlier test left behind takes up reagent or gives some back. The last rinse is with the sample, so that what stays on the glass is the sample itself.'
	}),
	draw: (action) => ({
		say: action.ml === undefined ? 'Draw {sample} into the vial' : `Draw ${action.ml} mL into the vial`,
		detail:
			'Push the air out first. Read at the lower edge of the plunger, with the syringe upright at eye level.',
		why: 'An error in the sample is the same error in the result: 1 % too little water reads 1 % too low.'
	}),
	measure: (action, reagent) => ({
		say: `Add ${action.ml ?? ''} mL of ${reagent} with its own syringe`.replace('  ', ' '),
		detail: 'Draw slowly, so that no air comes in. Read at the lower edge of the plunger.',
		why: 'This volume enters the result. A syringe that belongs to one reagent carries nothing over.'
	}),
	drops: (action, reagent) => ({
		say: `Add ${counted(action.count, 'drop')} of ${reagent}`,
		detail: 'Bottle straight upside down above the vial, full drops only.',
		why: 'A tilted bottle gives drops of another size, and a half drop is not a drop.'
	}),
	scoops: (action, reagent) => ({
		say: `Add ${counted(action.count, 'level scoop')} of ${reagent}`,
		detail: 'Strike it off flat over the pot, carry it over the vial, tap it in. Close the pot at once.',
		why: 'A heaped scoop is half as much again. Powder draws water from the air, and a scoop of its own keeps one powder out of another.'
	}),
	swirl: (action) => ({
		say: `Swirl for ${durationWords(action.seconds)}`,
		detail: 'Gently, the vial open or capped, never a finger on it.',
		why: 'Streaks react early where the reagent meets them first.'
	}),
	shake: (action) => ({
		say: `Shake for ${durationWords(action.seconds)}`,
		detail: 'Cap on, never a finger. Nothing may lie on the bottom at the end.',
		why: 'The reaction runs only where the reagent touches the water. Skin leaves salt and reagent leaves stains.'
	}),
	invert: (action) => ({
		say: `Turn the capped vial over ${counted(action.times, 'time')}`,
		detail: 'Slowly, once down and up is one.',
		why: 'Turning mixes without making bubbles, which would darken or bend the light.'
	}),
	stand: (action) => {
		const time = durationWords(action.seconds);
		return {
			say: action.exactly
				? `Wait exactly ${time}`
				: action.upToSeconds === undefined
					? `Leave it for ${time}`
					: `Wait ${rangeWords(action.seconds, action.upToSeconds)}`,
			detail: action.exactly
				? 'Be ready when the time is over: the next step starts within 15 seconds of it.'
				: 'Put it down. Your hands are free.',
			why: action.exactly
				? 'The colour goes on changing. The steps were made for this minute and no other.'
				: 'The reaction needs its time; somewhat longer does no harm.'
		};
	},
	filter: (action) => ({
		say: `Let it filter, about ${durationWords(action.seconds)}`,
		detail: 'Do not press. Your hands are free.',
		why: 'Anything of the precipitate that comes through is titrated along.'
	}),
	fill: (_, reagent) => ({
		say: `Fill the titration syringe with ${reagent} to the full mark`,
		detail:
			'Tip on, tip in the liquid, draw slowly. Set the lower edge of the plunger on the mark, not the level of the liquid. The air under the plunger belongs there.',
		why: 'The air fills the dead volume of the tip. It is the same at the start and at the end, so it cancels; only the movement of the plunger counts.'
	}),
	titrate: (_, reagent) => ({
		say: `Add ${reagent} drop by drop until the colour turns`,
		detail: 'One drop, swirl, look. Near the end single drops only. The first full end colour counts.',
		why: 'A stream turns the colour early where it falls in. The true end point lies somewhere in the last drop, so half a drop is taken off the result.'
	}),
	blank: () => ({
		say: 'Put untreated sample in and set the zero',
		detail: 'Wipe the glass. Follow the prompts of the display one by one: the plain sample comes first.',
		why: 'The tint of the water itself is taken off. Reagent first spoils the test.'
	}),
	read: () => ({
		say: 'Read the result',
		detail: 'At once, then enter what you see.',
		why: 'What is entered now need not be remembered.'
	}),
	do: () => ({ say: 'Do as the leaflet says', detail: '', why: '' })
};

function wordsOf(action: StepAction, reagent: string): Words {
	const words = WORDS_OF[action.kind] as (action: StepAction, reagent: string) => Words;
	return words(action, reagent);
}

/** How a step differs from the common wording. */
export interface StepOptions extends Partial<Words> {
	readonly reagent?: string;
	/** How the reagent is spoken of, such as "indicator A"; its label where left out. */
	readonly called?: string;
	readonly expect?: NamedColour;
}

export type Step = Omit<ProtocolStep, 'id'>;

export function step(action: StepAction, options: StepOptions = {}): Step {
	const { reagent, called, expect, ...own } = options;
	return {
		...wordsOf(action, called ?? reagent ?? 'the reagent'),
		...own,
		action,
		...(reagent === undefined ? {} : { reagent }),
		...(expect === undefined ? {} : { expect })
	};
}

/** Numbers the steps: ids stand in logs and deviations, so they are plain and stable within a version. */
export function protocol(steps: readonly Step[]): readonly ProtocolStep[] {
	return steps.map((s, i) => ({ id: `${i + 1}-${s.action.kind}`, ...s }));
}

/** Steps by what they do, with their likely times. */
export const drops = (count: number, options?: StepOptions) =>
	step({ kind: 'drops', count, handsS: count * HANDS_S.countedDrop }, options);
export const scoops = (count: number, options?: StepOptions) =>
	step({ kind: 'scoops', count, handsS: count * HANDS_S.scoop }, options);
export const measureOut = (ml: number, options?: StepOptions) =>
	step({ kind: 'measure', ml, handsS: HANDS_S.draw }, options);
export const swirl = (seconds: number, options?: StepOptions) => step({ kind: 'swirl', seconds }, options);
export const shake = (seconds: number, options?: StepOptions) => step({ kind: 'shake', seconds }, options);
export const invert = (times: number, options?: StepOptions) =>
	step({ kind: 'invert', times, handsS: times * HANDS_S.invert }, options);
export const stand = (seconds: number, options?: StepOptions) => step({ kind: 'stand', seconds }, options);
export const waitExactly = (seconds: number, options?: StepOptions) =>
	step({ kind: 'stand', seconds, exactly: true }, options);
export const waitBetween = (seconds: number, upToSeconds: number, options?: StepOptions) =>
	step({ kind: 'stand', seconds, upToSeconds }, options);
export const filter = (seconds: number, longestSeconds: number, options?: StepOptions) =>
	step({ kind: 'filter', seconds, longestSeconds }, options);
export const rinse = (options?: StepOptions) => step({ kind: 'prepare', handsS: HANDS_S.setUp }, options);
export const draw = (options?: StepOptions) => step({ kind: 'draw', handsS: HANDS_S.draw }, options);
export const fill = (options?: StepOptions) => step({ kind: 'fill', handsS: HANDS_S.fillSyringe }, options);
export const blank = (options?: StepOptions) => step({ kind: 'blank', handsS: HANDS_S.draw }, options);
export const read = (options?: StepOptions) => step({ kind: 'read', handsS: HANDS_S.readAndEnter }, options);
export const act = (say: string, options?: StepOptions) =>
	step({ kind: 'do', handsS: HANDS_S.scoop }, { ...options, say });
/** @param expectedDrops until the middle of a mixed reef's band */
export const titrate = (expectedDrops: number, options?: StepOptions, titration: 0 | 1 = 0) =>
	step(
		{
			kind: 'titrate',
			handsS: Math.round(expectedDrops) * HANDS_S.titrationDrop + HANDS_S.readAndEnter,
			...(titration === 1 ? { titration } : {})
		},
		options
	);
