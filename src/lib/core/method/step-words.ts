import { COMMON_RINSE } from './common-rinse.ts';
import type { NamedColour } from './named-colour.ts';
import type { Mixing, ProtocolStep, StepAction } from './protocol.ts';

/** Likely hands-on times in seconds, the same for every method. */
export const HANDS_S = {
	setUp: 40,
	draw: 25,
	fillSyringe: 20,
	countedDrop: 2,
	scoop: 15,
	/** Mixed after one drop or scoop. */
	mixOnce: 3,
	invert: 2,
	titrationDrop: 4,
	readAndEnter: 15
} as const;

/** How long the liquid in a syringe needs to catch up with the plunger, seconds (convention; within the time of filling). */
export const PLUNGER_SETTLES_S = 5;

export function durationWords(seconds: number): string {
	if (seconds % 60 !== 0 || seconds < 60) return `${seconds} ${seconds === 1 ? 'second' : 'seconds'}`;
	return `${seconds / 60} ${seconds === 60 ? 'minute' : 'minutes'}`;
}

/** A bottle as it is spoken of: "bottle A", "the bottle of indicator". */
const bottleOf = (reagent: string) =>
	reagent.length <= 3 ? `bottle ${reagent}` : `the bottle of ${reagent}`;

const MIXING_EACH: Readonly<Record<Mixing, string>> = {
	swirl: ', swirling after each',
	shake: ', shaking after each',
	stir: ', stirring after each'
};

/** How something is added, after what is: mixed after each, at once or slowly. */
function manner(action: StepAction): string {
	const mixing = 'mixing' in action && action.mixing ? MIXING_EACH[action.mixing] : '';
	const pace =
		'pace' in action && action.pace ? (action.pace === 'slowly' ? ', slowly' : ', all at once') : '';
	return mixing + pace;
}

const byTip = (action: StepAction) => 'by' in action && action.by === 'tip';
const byLine = (action: StepAction) => 'by' in action && action.by === 'line';

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

const mixes = (verb: string, seconds: number, bottle: string) =>
	`${verb}${bottle ? ` ${bottleOf(bottle)}` : ''} for ${durationWords(seconds)}`;
const SETTLED = 'What has settled in a bottle gives weak drops first and strong ones later.';

const RINSE_VIALS: Words = {
	say: COMMON_RINSE,
	detail: 'Pour both away. Dry the outside. Have a timer, good light and something white behind the vial.',
	why: 'What an earlier test left behind takes up reagent or gives some back. The last rinse is with the sample, so that what stays on the glass is the sample itself.'
};
const RINSE_OTHER: Words = {
	say: '',
	detail: 'With purified water. Pour it away and shake the last of it out.',
	why: 'What an earlier test left behind takes up reagent or gives some back.'
};

const ASSEMBLED: Words = {
	say: '',
	detail:
		'The part of this test, the right way up; shut, and it moves as it should. Nothing is left of the test before.',
	why: 'A disc of another test, or one turned round, gives numbers that look right.'
};
const FILTER_ASSEMBLED: Words = {
	say: '',
	detail: 'A new filter lies flat and whole, its edge is held all round, the cup beneath is dry.',
	why: 'What runs past the filter is titrated along, and looks like less of what is measured.'
};
const WIPED: Words = {
	say: '',
	detail: 'Dry, with a cloth that leaves no fluff. Hold it by its rim from now on.',
	why: 'A fingerprint or a drop in the way of the light is read as colour.'
};

/** Getting a part ready: rinsed, wiped or put together. */
function readied(of: string, doing: 'assemble' | 'wipe' | undefined): Words {
	if (doing === 'wipe') return { ...WIPED, say: `Wipe ${of}` };
	if (doing === undefined) return { ...RINSE_OTHER, say: `Rinse ${of}` };
	return { ...(/filter/i.test(of) ? FILTER_ASSEMBLED : ASSEMBLED), say: `Put ${of} together` };
}

/** The wording of every kind of step, written once; a method may say it in its own words instead. */
const WORDS_OF: WordsOf = {
	prepare: ({ of, doing }) => (of === undefined ? RINSE_VIALS : readied(of, doing)),
	draw: (action) => ({
		say: byLine(action)
			? `Fill the vial with the sample to the ${action.ml === undefined ? '' : `${action.ml} mL `}line`
			: action.ml === undefined
				? 'Draw {sample} into the vial'
				: `Draw ${action.ml} mL into the vial`,
		detail: byLine(action)
			? 'Stand it level, look at eye level: the bottom of the curve of the water sits on the line. The last drops by syringe or pipette.'
			: 'Push the air out first. Read at the lower edge of the plunger, with the syringe upright at eye level.',
		why: 'An error in the sample is the same error in the result: 1 % too little water reads 1 % too low.'
	}),
	measure: (action, reagent) => ({
		say: byTip(action)
			? `Add ${reagent} up to the mark on its tip${action.ml === undefined ? '' : `, ${action.ml} mL`}${manner(action)}`
			: `Add ${action.ml === undefined ? '' : `${action.ml} mL of `}${reagent} with its own syringe${manner(action)}`,
		detail: byTip(action)
			? 'Draw to beyond the mark, wipe the tip, let it down to the mark at eye level. No air below it.'
			: 'Draw slowly, so that no air comes in. Read at the lower edge of the plunger.',
		why: 'This volume enters the result. A syringe that belongs to one reagent carries nothing over.'
	}),
	drops: (action, reagent) => ({
		say: `Add ${counted(action.count, 'drop')} of ${reagent}${manner(action)}`,
		detail: 'Bottle straight upside down above the vial, full drops only.',
		why: 'A tilted bottle gives drops of another size, and a half drop is not a drop.'
	}),
	scoops: (action, reagent) => ({
		say: `Add ${counted(action.count, `${action.spoon ? `${action.spoon} ` : ''}level scoop`)} of ${reagent}${manner(action)}`,
		detail: 'Strike it off flat over the pot, carry it over the vial, tap it in. Close the pot at once.',
		why: 'A heaped scoop is half as much again. Powder draws water from the air, and a scoop of its own keeps one powder out of another.'
	}),
	swirl: (action, reagent) => ({
		say: mixes('Swirl', action.seconds, reagent),
		detail: reagent ? 'Cap on.' : 'Gently, the vial open or capped, never a finger on it.',
		why: reagent ? SETTLED : 'Streaks react early where the reagent meets them first.'
	}),
	stir: (action, reagent) => ({
		say: mixes('Stir', action.seconds, reagent),
		detail: 'With its own clean rod, without splashing. Not shaken: that would bring air in.',
		why: reagent ? SETTLED : 'Streaks react early where the reagent meets them first.'
	}),
	shake: (action, reagent) => ({
		say: mixes('Shake', action.seconds, reagent),
		detail: reagent
			? 'Cap on. Nothing may lie on the bottom at the end.'
			: 'Cap on, never a finger. Nothing may lie on the bottom at the end.',
		why: reagent
			? SETTLED
			: 'The reaction runs only where the reagent touches the water. Skin leaves salt and reagent leaves stains.'
	}),
	invert: (action, reagent) => ({
		say: `Turn ${reagent ? bottleOf(reagent) : 'the capped vial'} over ${counted(action.times, 'time')}`,
		detail: 'Slowly, once down and up is one.',
		why: reagent ? SETTLED : 'Turning mixes without making bubbles, which would darken or bend the light.'
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
	readonly vial?: 'second';
}

/** Where a reagent is named they are done to its bottle, else to the vial. */
const OF_A_BOTTLE: ReadonlySet<StepAction['kind']> = new Set(['swirl', 'shake', 'stir', 'invert']);

export type Step = Omit<ProtocolStep, 'id'>;

export function step(action: StepAction, options: StepOptions = {}): Step {
	const { reagent, called, expect, vial, ...own } = options;
	const words = wordsOf(action, called ?? reagent ?? (OF_A_BOTTLE.has(action.kind) ? '' : 'the reagent'));
	return {
		...words,
		...(vial === undefined ? {} : { say: `${words.say} into the second vial` }),
		...own,
		action,
		...(reagent === undefined ? {} : { reagent }),
		...(vial === undefined ? {} : { vial }),
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
export const stir = (seconds: number, options?: StepOptions) => step({ kind: 'stir', seconds }, options);
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
