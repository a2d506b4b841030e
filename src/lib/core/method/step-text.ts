import { ownIn } from '../result/index.ts';
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
const LABEL = String.raw`(?:\s+(?:of\s+)?(?:the\s+)?([^,]+?))?`;

function numberOf(text: string): number {
	return ownIn(NUMBERS, text.toLowerCase()) ?? Number(text.replace(',', '.'));
}

function secondsOf(amount: string, unit: string): number {
	const factor = /^h/i.test(unit) ? 3600 : /^m/i.test(unit) ? 60 : 1;
	return Math.round(numberOf(amount) * factor);
}

const reagent = (label: string | undefined) => (label ? { reagent: label.trim() } : {});

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
		pattern: whole(String.raw`(?:draw|take|measure)(?:\s+out)?\s+(?:the\s+)?sample(?:\s+.*)?`),
		make: () => words.draw()
	},
	{
		pattern: whole(String.raw`(?:add\s+)?${N}\s*ml${LABEL}`),
		make: (m) => words.measureOut(numberOf(m[1]!), reagent(m[2]))
	},
	{
		pattern: whole(
			String.raw`(?:(?:cap(?:ped)?|close)(?:\s+(?:it|and))*\s+)?(swirl|mix|stir|shake)(?:\s+\w+)??(?:\s+for)?\s+(?:about\s+)?${N}\s*${TIME}(?:\s+.*)?`
		),
		make: (m) => {
			const seconds = secondsOf(m[2]!, m[3]!);
			return /shake/i.test(m[1]!) ? words.shake(seconds) : words.swirl(seconds);
		}
	},
	{
		pattern: whole(String.raw`(?:invert|turn\s+(?:it\s+)?over)\s+${N}\s*(?:times|x)`),
		make: (m) => words.invert(Math.round(numberOf(m[1]!)))
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

/**
 * Reads a protocol as it is jotted down: "3 drops A; swirl 10 s; wait exactly 4 min". Clauses end with a semicolon, a
 * full stop or a line. What is not understood stays as an instruction in its own words; nothing is dropped.
 *
 * @param text any length; at most `MAX_STEPS` clauses are read
 */
export function parseSteps(text: string): readonly ParsedStep[] {
	return text
		.slice(0, 20_000)
		.replace(/^[ \t]*(?:\d+[.)]|[-*•])[ \t]+/gm, '')
		.split(/[;\n]|\.(?=\s|$)/)
		.map((clause) => clause.trim())
		.filter((clause) => clause !== '')
		.slice(0, MAX_STEPS)
		.map((clause) => {
			for (const { pattern, make } of RULES) {
				const match = clause.match(pattern);
				const made = match && make(match);
				if (made && isSane(made)) return { text: clause, step: made, understood: true };
			}
			return { text: clause, step: words.act(sentence(clause)), understood: false };
		});
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

/** The text form of a step, which `parseSteps` reads back. */
export function textOfStep({ action, reagent: label, say }: Step): string {
	const of = label ? ` ${label}` : '';
	switch (action.kind) {
		case 'drops':
			return `${action.count} drops${of}`;
		case 'scoops':
			return `${action.count} scoops${of}`;
		case 'draw':
			return action.ml === undefined ? 'draw the sample' : say;
		case 'measure':
			return action.ml === undefined ? say : `add ${action.ml} mL${of}`;
		case 'swirl':
			return `swirl ${shortTime(action.seconds)}`;
		case 'shake':
			return `shake ${shortTime(action.seconds)}`;
		case 'invert':
			return `invert ${action.times} times`;
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
