import { ownIn } from '../result/index.ts';
import type { Spoon } from './protocol.ts';
import * as words from './step-words.ts';
import type { Step } from './step-words.ts';

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
export const N = String.raw`(\d+(?:[.,]\d+)?|${Object.keys(NUMBERS).join('|')})`;
const TIME = String.raw`(s|secs?|seconds?|min|mins|minutes?|m|h|hours?)\.?`;
/** How it is mixed, which the kind of step says already. */
const HOW = String.raw`(?:\s+(?:it|gently|hard|well|vigorously|thoroughly|slowly|carefully))*`;
/** What is mixed: a vessel, or else a bottle by its label. */
const MIXED = String.raw`(?:\s+(?:the\s+)?(?:capped\s+|closed\s+|marked\s+)?(?:vial|tube|glass|sample|cuvette)|\s+(?:the\s+)?((?:bottle|reagent|suspension)(?:\s+of)?\s+)?(?!(?:over|upside|for|about|with|until|the|it)\b|\d)([\w-]{1,20}))?`;
const LABEL = String.raw`(?:\s+(?:of\s+)?(?:the\s+)?([^,]+?))?`;

export function numberOf(text: string): number {
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
export const THE_BOTTLE = '\u0000';

/** The end of the spoon that is named before it. */
export function spoonIn(text: string): Spoon | undefined {
	const named = /\b(small|large|big)\b(?=[^,]*$|[^,]*\b(?:scoop|spoon|end))/i.exec(text)?.[1];
	return named === undefined ? undefined : /^small$/i.test(named) ? 'small' : 'large';
}

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
			String.raw`(?:add\s+)?${N}\s+(?:(?:level|small|large|big|flat)\s+)*(?:scoops?|spoons?|spoonfuls?)${LABEL}`
		),
		make: (m) => {
			const count = Math.round(numberOf(m[1]!));
			const spoon = spoonIn(m[0]);
			const handsS = count * words.HANDS_S.scoop;
			return words.step({ kind: 'scoops', count, ...(spoon ? { spoon } : {}), handsS }, reagent(m[2]));
		}
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
			String.raw`(rinse|wash|wipe|assemble|put\s+together)\s+(?!(?:(?:the|both|all|every)\s+)?(?:(?:marked|second|two)\s+)?(?:vials?|tubes?|glass|caps?|everything|with)\b)(?:(?:the|both|all)\s+)?(.+)`
		),
		make: (m) => {
			const doing = /^wipe/i.test(m[1]!) ? 'wipe' : /^(?:assemble|put)/i.test(m[1]!) ? 'assemble' : null;
			const of = m[2]!.trim().slice(0, 60);
			const action = { kind: 'prepare', of, handsS: words.HANDS_S.scoop } as const;
			return words.step({ ...action, ...(doing ? { doing } : {}) }, { say: sentence(m[0]) });
		}
	},
	{ pattern: whole(String.raw`rinse(?:\s+.*)?`), make: (m) => words.rinse({ say: sentence(m[0]) }) },
	{
		pattern: whole(String.raw`fill\s+(?:the\s+)?(?:titration\s+)?syringe(?:\s+(?:with|from)\s+(.+?))?`),
		make: (m) => words.fill(reagent(m[1]))
	},
	{ pattern: whole(String.raw`read(?:\s+.*)?`), make: (m) => words.read({ say: sentence(m[0]) }) }
];

export function sentence(text: string): string {
	const trimmed = text.trim();
	return trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
}

/** A count of 4000 drops or a wait of a week is a slip of the pen: it stays as words. */
function isSane({ action }: Step): boolean {
	if ('count' in action && !(action.count >= 1 && action.count <= 200)) return false;
	if ('times' in action && !(action.times >= 1 && action.times <= 200)) return false;
	if ('ml' in action && action.ml !== undefined && !(action.ml > 0 && action.ml <= 1000)) return false;
	return !('seconds' in action) || (action.seconds >= 1 && action.seconds <= 24 * 3600);
}

/** The step that a clause says, without its manner; null where it says none that is known. */
export function ruled(clause: string): Step | null {
	for (const { pattern, make } of RULES) {
		const match = clause.match(pattern);
		const made = match && make(match);
		if (made && isSane(made)) return made;
	}
	return null;
}
