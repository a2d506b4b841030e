import { ruled, sentence, THE_BOTTLE } from './step-clauses.ts';
import { ALONE, isAdded, mannerIn, mannerText, mixingOf, withManner } from './step-manner.ts';
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

function shortTime(seconds: number): string {
	return seconds >= 60 && seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`;
}

/** The text form of a step, which `parseSteps` reads back. */
export function textOfStep({ action, reagent: label, vial, say }: Step): string {
	const of = label ? ` ${label}` : '';
	const how = mannerText(action, vial);
	switch (action.kind) {
		case 'drops':
			return `${action.count} drops${of}${how}`;
		case 'scoops':
			return `${action.count}${action.spoon ? ` ${action.spoon}` : ''} scoops${of}${how}`;
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
