import { ownIn } from '../result/index.ts';
import type { Mixing, Pace } from './protocol.ts';
import * as words from './step-words.ts';
import type { Step } from './step-words.ts';

/** One clause of a leaflet's text, and whether it was understood or only kept as it stands. */
export interface ParsedStep {
	/** The clause itself. */
	readonly text: string;
	readonly step: Step;
	readonly understood: boolean;
}

/** More than this is no leaflet's protocol. */
export const MAX_STEPS = 60;

const NUMBERS: Readonly<Record<string, number>> = {
	a: 1,
	an: 1,
	one: 1,
	two: 2,
	three: 3,
	four: 4,
	five: 5,
	six: 6,
	seven: 7,
	eight: 8,
	nine: 9,
	ten: 10,
	twelve: 12
};
const N = String.raw`(\d+(?:[.,]\d+)?|${Object.keys(NUMBERS).join('|')})`;
const TIME = String.raw`(s|secs?|seconds?|min|mins|minutes?|m|h|hours?)\.?`;
/** How it is mixed, which the kind of step says already. */
const HOW = String.raw`(?:\s+(?:it|gently|hard|well|vigorously|thoroughly|slowly|carefully))*`;
/** What is mixed: a vessel, or else a bottle by its label. */
const MIXED = String.raw`(?:\s+(?:the\s+)?(?:capped\s+|closed\s+|marked\s+)?(?:vial|tube|glass|sample|cuvette)|\s+(?:the\s+)?((?:bottle|reagent|suspension)(?:\s+of)?\s+)?(?!(?:over|upside|for|about|with|until|the|it)\b|\d)([\w-]{1,20}))?`;
const LABEL = String.raw`(?:\s+(?:of\s+)?(?:the\s+)?([^,]+?))?`;

function numberOf(text: string): number {
	return ownIn(NUMBERS, text.toLowerCase()) ?? Number(text.replace(',', '.'));
}

function secondsOf(amount: string, unit: string): number {
	const factor = /^h/i.test(unit) ? 3600 : /^m/i.test(unit) ? 60 : 1;
	return Math.round(numberOf(amount) * factor);
}

/** The vessels that are mixed where no bottle is named. */
const VESSEL = /^(?:vial|tube|glass|sample|cuvette|everything)$/i;
/** The bottle that is mixed, as a reagent; of a bottle without a label it is known once its drops follow. */
function bottleIn(word: string | undefined, label: string | undefined): { reagent?: string } {
	if (!label || VESSEL.test(label)) return {};
	return { reagent: !word && /^(?:bottle|reagent|suspension)$/i.test(label) ? THE_BOTTLE : label };
}

const reagent = (label: string | undefined) => (label ? { reagent: label.trim() } : {});

/** Stands for the reagent of the drops that follow, until they are read. */
const THE_BOTTLE = '\u0000';

interface Rule {
	readonly pattern: RegExp;
	readonly make: (m: RegExpMatchArray) => Step | null;
}

const whole = (source: string) => new RegExp(`^${source}$`, 'i');

/** In the order in which they are tried: the more particular ones first. */
const RULES: readonly Rule[] = [
	{
		// Before the count of drops: in "add A drop by drop" the A is no number.
		pattern: whole(String.raw`(?:add\s+)?(?:the\s+)?(?!\d)([^,]{1,40}?)\s+drop\s+by\s+drop\b.*`),
		make: (m) => words.titrate(20, { ...reagent(m[1]), say: sentence(m[0]) })
	},
	{
		pattern: whole(
			String.raw`(?:(?:drops|drop by drop)\s+of\s+|titrate\s+(?:with\s+)?)(?!(?:until|till|to)\b)(.+?)(?:,?\s+(?:until|till|to)\s+.*)?`
		),
		make: (m) => words.titrate(20, { ...reagent(m[1]), say: sentence(m[0]) })
	},
	{
		pattern: whole(String.raw`titrate(?:,?\s+(?:until|till|to)\s+.*)?`),
		make: (m) => words.titrate(20, { say: sentence(m[0]) })
	},
	{
		pattern: whole(String.raw`(?:add\s+)?${N}\s+(?:full\s+)?drops?${LABEL}`),
		make: (m) => words.drops(Math.round(numberOf(m[1]!)), reagent(m[2]))
	},
	{
		pattern: whole(
			String.raw`(?:add\s+)?${N}\s+(?:(?:level|small|large|flat)\s+)*(?:scoops?|spoons?|spoonfuls?)${LABEL}`
		),
		make: (m) => words.scoops(Math.round(numberOf(m[1]!)), reagent(m[2]))
	},
	{
		pattern: whole(
			String.raw`(?:draw|take|fill|sample(?:\s+of)?)\s+${N}\s*ml(?:\s+of)?(?:\s+(?:the\s+)?.*)?`
		),
		make: (m) =>
			words.step({ kind: 'draw', ml: numberOf(m[1]!), handsS: words.HANDS_S.draw }, { say: sentence(m[0]) })
	},
	{
		pattern: whole(
			String.raw`fill\s+(?:the\s+|a\s+)?(?:(?:marked\s+)?(?:vial|tube|glass|cuvette|cell)\s+)?(?:with\s+(?:the\s+)?(?:sample|water|tank\s+water)\s+)?(?:up\s+)?to\s+(?:the|its)\s+(?:${N}\s*ml\s+)?(?:\w+\s+)?(?:line|mark|ring)(?:\s+with\s+(?:the\s+)?(?:sample|water|tank\s+water))?`
		),
		make: (m) =>
			words.step({
				kind: 'draw',
				...(m[1] ? { ml: numberOf(m[1]) } : {}),
				by: 'line',
				handsS: words.HANDS_S.draw
			})
	},
	{
		pattern: whole(
			String.raw`(?:add\s+)?(?:(?:${N}\s*ml)(?:\s+of)?\s+)?(?:the\s+)?(.{1,40}?)\s+(?:with|by|to|up\s+to)\s+(?:the\s+|its\s+)?(?:tip['’]?s?\s+mark|mark\s+(?:on|of)\s+(?:the|its)\s+tip|marked\s+tip)`
		),
		make: (m) =>
			words.step(
				{
					kind: 'measure',
					...(m[1] ? { ml: numberOf(m[1]) } : {}),
					by: 'tip',
					handsS: words.HANDS_S.draw
				},
				reagent(m[2])
			)
	},
	{
		pattern: whole(String.raw`(?:draw|take|measure)(?:\s+out)?\s+(?:the\s+)?sample(?:\s+.*)?`),
		make: () => words.draw()
	},
	{
		pattern: whole(String.raw`(?:add\s+)?${N}\s*ml${LABEL}`),
		make: (m) => words.measureOut(numberOf(m[1]!), reagent(m[2]))
	},
	{
		pattern: whole(
			String.raw`(?:(?:cap(?:ped)?|close)(?:\s+(?:it|and|the\s+vial))*\s+)?(swirl|mix|stir|shake)${HOW}${MIXED}${HOW}(?:\s+with\s+(?:the|its|a)\s+(?:\w+\s+)?(?:rod|stick|spatula|stirrer))?(?:\s+for)?\s+(?:about\s+)?${N}\s*${TIME}(?:\s+.*)?`
		),
		make: (m) => {
			const seconds = secondsOf(m[4]!, m[5]!);
			const of = bottleIn(m[2], m[3]);
			const mix = /shake/i.test(m[1]!) ? words.shake : /stir/i.test(m[1]!) ? words.stir : words.swirl;
			return mix(seconds, of);
		}
	},
	{
		pattern: whole(
			String.raw`(?:invert|turn)${MIXED}${HOW}(?:\s+(?:over|upside\s+down))?${HOW}\s+${N}\s*(?:times|x)`
		),
		make: (m) => words.invert(Math.round(numberOf(m[3]!)), bottleIn(m[1], m[2]))
	},
	{
		pattern: whole(
			String.raw`(?:wait|stand|leave|let)(?:\s+(?:it|stand))*(?:\s+for)?\s+${N}\s*(?:-|–|to)\s*${N}\s*${TIME}`
		),
		make: (m) => {
			const [from, to] = [secondsOf(m[1]!, m[3]!), secondsOf(m[2]!, m[3]!)].sort((a, b) => a - b);
			return words.waitBetween(from!, to!);
		}
	},
	{
		pattern: whole(
			String.raw`(?:wait|stand|leave|let)(?:\s+(?:it|stand))*(?:\s+for)?\s+(exactly|precisely)\s+${N}\s*${TIME}`
		),
		make: (m) => words.waitExactly(secondsOf(m[2]!, m[3]!))
	},
	{
		pattern: whole(
			String.raw`(?:wait|stand|leave|let)(?:\s+(?:it|stand))*(?:\s+(?:for|about|at\s+least))*\s+${N}\s*${TIME}(?:,?\s+.*)?`
		),
		make: (m) => words.stand(secondsOf(m[1]!, m[2]!))
	},
	{
		pattern: whole(String.raw`filter(?:\s+(?:for\s+)?(?:about\s+)?${N}\s*${TIME})?`),
		make: (m) => {
			const seconds = m[1] ? secondsOf(m[1], m[2]!) : 9 * 60;
			return words.filter(seconds, Math.round((seconds * 4) / 3));
		}
	},
	{ pattern: whole(String.raw`(?:set\s+(?:the\s+)?)?(?:blank|zero)`), make: () => words.blank() },
	{
		pattern: whole(
			String.raw`(?:rinse|wash|wipe|assemble|put\s+together)\s+(?!(?:(?:the|both|all|every)\s+)?(?:(?:marked|second|two)\s+)?(?:vials?|tubes?|glass|caps?|everything|with)\b)(?:(?:the|both|all)\s+)?(.+)`
		),
		make: (m) =>
			words.step(
				{ kind: 'prepare', of: m[1]!.trim().slice(0, 60), handsS: words.HANDS_S.scoop },
				{ say: sentence(m[0]) }
			)
	},
	{ pattern: whole(String.raw`rinse(?:\s+.*)?`), make: (m) => words.rinse({ say: sentence(m[0]) }) },
	{
		pattern: whole(String.raw`fill\s+(?:the\s+)?(?:titration\s+)?syringe(?:\s+(?:with|from)\s+(.+?))?`),
		make: (m) => words.fill(reagent(m[1]))
	},
	{ pattern: whole(String.raw`read(?:\s+.*)?`), make: (m) => words.read({ say: sentence(m[0]) }) }
];

function sentence(text: string): string {
	const trimmed = text.trim();
	return trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
}

const EACH = String.raw`(?:,?\s*(?:and\s+)?(?:gently\s+)?(swirl|shake|shak|stir|stirr|mix)(?:ing|e)?(?:\s+(?:it|well|gently))*\s+after\s+(?:each|every)(?:\s+(?:one|drop|scoop|spoon))?)`;
const MANNERS = {
	mixing: new RegExp(EACH, 'i'),
	pace: /,?\s*\b(?:(all\s+at\s+once|at\s+once|one\s+(?:straight\s+)?after\s+(?:the\s+)?(?:other|another)|quickly|without\s+(?:a\s+)?pause|in\s+one\s+go)|(slowly))\b/i,
	vial: /,?\s*\b(?:in|into|to)\s+(?:the\s+)?(?:second|other)\s+(?:vial|tube|glass)\b/i
} as const;
const ALONE = new RegExp(`^${EACH}$`, 'i');

function mixingOf(word: string): Mixing {
	return /^sha/i.test(word) ? 'shake' : /^sti/i.test(word) ? 'stir' : 'swirl';
}

interface Manner {
	readonly mixing?: Mixing;
	readonly pace?: Pace;
	readonly vial?: 'second';
}

/** A clause without how it is done, and how. */
function mannerIn(clause: string): { readonly rest: string; readonly how: Manner } {
	let rest = clause;
	let how: Manner = {};
	const mixing = MANNERS.mixing.exec(rest);
	if (mixing) {
		how = { ...how, mixing: mixingOf(mixing[1]!) };
		rest = rest.replace(mixing[0], '');
	}
	const pace = MANNERS.pace.exec(rest);
	if (pace) {
		how = { ...how, pace: pace[1] ? 'at-once' : 'slowly' };
		rest = rest.replace(pace[0], '');
	}
	const vial = MANNERS.vial.exec(rest);
	if (vial) {
		how = { ...how, vial: 'second' };
		rest = rest.replace(vial[0], '');
	}
	return { rest: rest.trim(), how };
}

const ADDED: ReadonlySet<Step['action']['kind']> = new Set(['drops', 'scoops', 'measure', 'draw']);
const isAdded = (step: Step) => ADDED.has(step.action.kind);

/** The step with its manner, in the words of both; null where a step of its kind has none. */
function withManner(made: Step | null, how: Manner): Step | null {
	const { mixing, pace, vial } = how;
	if (!made || (!mixing && !pace && !vial)) return made;
	const { action } = made;
	const isCounted = action.kind === 'drops' || action.kind === 'scoops';
	if (!(isCounted || action.kind === 'measure' || action.kind === 'draw') || (mixing && !isCounted))
		return null;
	const handsS = action.handsS + (mixing && isCounted ? action.count * words.HANDS_S.mixOnce : 0);
	return words.step(
		{ ...action, handsS, ...(mixing ? { mixing } : {}), ...(pace ? { pace } : {}) },
		{
			...(made.reagent === undefined ? {} : { reagent: made.reagent }),
			...(vial ? { vial } : {})
		}
	);
}

function ruled(clause: string): Step | null {
	for (const { pattern, make } of RULES) {
		const match = clause.match(pattern);
		const made = match && make(match);
		if (made && isSane(made)) return made;
	}
	return null;
}

function parsed(clause: string): ParsedStep {
	const { rest, how } = mannerIn(clause);
	const whole = ruled(clause);
	// Only of what is added is it told how; all else is told in the leaflet's own words, or knows it already.
	const made = whole && (rest === clause || !isAdded(whole)) ? whole : withManner(ruled(rest), how);
	return made
		? { text: clause, step: made, understood: true }
		: { text: clause, step: words.act(sentence(clause)), understood: false };
}

/** "Shake after each drop" as a clause of its own says how the drops before it are added. */
function joined(steps: readonly ParsedStep[]): readonly ParsedStep[] {
	const out: ParsedStep[] = [];
	for (const one of steps) {
		const before = out.at(-1);
		const mixing = ALONE.exec(one.text)?.[1];
		const how = mixing && before?.understood ? withManner(before.step, { mixing: mixingOf(mixing) }) : null;
		if (how) out[out.length - 1] = { text: `${before!.text}, ${one.text}`, step: how, understood: true };
		else out.push(one);
	}
	return out;
}

/** A bottle that was only called the bottle is the one of the drops, scoops or volume that follow. */
function named(steps: readonly ParsedStep[]): readonly ParsedStep[] {
	return steps.map((one, i) => {
		if (one.step.reagent !== THE_BOTTLE) return one;
		const next = steps
			.slice(i + 1)
			.find((s) => s.step.reagent !== undefined && s.step.reagent !== THE_BOTTLE);
		const { reagent: _, say: __, detail: ___, why: ____, action, ...rest } = one.step;
		return {
			...one,
			step: next
				? words.step(action, { ...rest, reagent: next.step.reagent! })
				: words.step(action, { ...rest, say: sentence(one.text) })
		};
	});
}

/**
 * Reads a protocol as it is jotted down: "3 drops A; swirl 10 s; wait exactly 4 min". Clauses end with a semicolon, a
 * full stop or a line. What is not understood stays as an instruction in its own words; nothing is dropped.
 *
 * @param text any length; at most `MAX_STEPS` clauses are read
 */
export function parseSteps(text: string): readonly ParsedStep[] {
	const clauses = text
		.slice(0, 20_000)
		.replace(/^[ \t]*(?:\d+[.)]|[-*•])[ \t]+/gm, '')
		.split(/[;\n]|\.(?=\s|$)/)
		.map((clause) => clause.trim())
		.filter((clause) => clause !== '')
		.slice(0, MAX_STEPS);
	return named(joined(clauses.map(parsed)));
}

/** A count of 4000 drops or a wait of a week is a slip of the pen: it stays as words. */
function isSane({ action }: Step): boolean {
	if ('count' in action && !(action.count >= 1 && action.count <= 200)) return false;
	if ('times' in action && !(action.times >= 1 && action.times <= 200)) return false;
	if ('ml' in action && action.ml !== undefined && !(action.ml > 0 && action.ml <= 1000)) return false;
	return !('seconds' in action) || (action.seconds >= 1 && action.seconds <= 24 * 3600);
}

function shortTime(seconds: number): string {
	return seconds >= 60 && seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`;
}

function mannerText(action: Step['action'], vial: Step['vial']): string {
	const mixing = 'mixing' in action && action.mixing ? `, ${EACH_TEXT[action.mixing]} after each` : '';
	const pace =
		'pace' in action && action.pace ? (action.pace === 'slowly' ? ', slowly' : ', all at once') : '';
	return `${mixing}${pace}${vial ? ' into the second vial' : ''}`;
}
const EACH_TEXT: Readonly<Record<Mixing, string>> = { swirl: 'swirling', shake: 'shaking', stir: 'stirring' };

/** The text form of a step, which `parseSteps` reads back. */
export function textOfStep({ action, reagent: label, vial, say }: Step): string {
	const of = label ? ` ${label}` : '';
	const how = mannerText(action, vial);
	switch (action.kind) {
		case 'drops':
			return `${action.count} drops${of}${how}`;
		case 'scoops':
			return `${action.count} scoops${of}${how}`;
		case 'draw':
			if (action.by === 'line')
				return `fill to the ${action.ml === undefined ? '' : `${action.ml} mL `}line${how}`;
			return action.ml === undefined ? `draw the sample${how}` : say;
		case 'measure':
			if (action.by === 'tip')
				return `add ${action.ml === undefined ? '' : `${action.ml} mL of `}${label ?? 'it'} to the tip's mark${how}`;
			return action.ml === undefined ? say : `add ${action.ml} mL${of}${how}`;
		case 'swirl':
		case 'stir':
		case 'shake':
			return `${action.kind}${label ? ` bottle ${label}` : ''} ${shortTime(action.seconds)}`;
		case 'invert':
			return `invert ${label ? `bottle ${label} ` : ''}${action.times} times`;
		case 'stand':
			return action.exactly
				? `wait exactly ${shortTime(action.seconds)}`
				: action.upToSeconds !== undefined
					? `wait ${action.seconds} to ${action.upToSeconds} s`
					: `wait ${shortTime(action.seconds)}`;
		case 'filter':
			return `filter ${shortTime(action.seconds)}`;
		case 'blank':
			return 'blank';
		case 'fill':
			return label ? `fill the syringe with ${label}` : 'fill the syringe';
		default:
			return say;
	}
}
