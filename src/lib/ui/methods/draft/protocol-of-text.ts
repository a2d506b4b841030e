import { parseSteps, textOfStep, type Method, type ParsedStep, type Step } from '$lib/core/method';
import { titrates, type MethodText } from './method-text';

/** A step of the preview, and whether it was put in because every protocol needs it. */
export interface DraftStep extends ParsedStep {
	readonly added: boolean;
}

/** Steps of a method by their text, so that one whose text was not touched keeps its own wording and colours. */
function ownSteps(base: Method | null): Map<string, Step[]> {
	const known = new Map<string, Step[]>();
	for (const { id: _, ...step } of base?.steps ?? []) {
		const text = textOfStep(step).toLowerCase();
		known.set(text, [...(known.get(text) ?? []), step]);
	}
	return known;
}

const putIn = (clause: string): DraftStep[] => parseSteps(clause).map((p) => ({ ...p, added: true }));

/**
 * The steps of the text, with what every protocol needs put in where it was left out: a rinsed vial, the sample, and
 * the reading at the end.
 *
 * @param base the method that is adapted, if any
 */
export function stepsOf(
	text: Pick<MethodText, 'kind' | 'steps' | 'fullMl'>,
	base: Method | null
): readonly DraftStep[] {
	const own = ownSteps(base);
	const steps = parseSteps(text.steps).map((parsed): DraftStep => {
		const step = own.get(parsed.text.toLowerCase())?.shift();
		return step ? { text: parsed.text, step, understood: true, added: false } : { ...parsed, added: false };
	});
	const has = (kind: Step['action']['kind']) => steps.some((s) => s.step.action.kind === kind);
	const first = steps[0]?.step.action;
	const rinses = first?.kind === 'prepare' && first.of === undefined;
	const measured = text.kind !== 'display' || text.fullMl.trim() !== '';
	if (measured && !has('draw')) {
		const rinse = rinses ? [] : putIn('rinse the vial with purified water, then with the water to be tested');
		steps.splice(rinses ? 1 : 0, 0, ...rinse, ...putIn('draw the sample'));
	}
	if (titrates(text)) {
		if (!has('titrate')) steps.push(...putIn('titrate until the colour turns'));
	} else if (!has('read')) steps.push(...putIn('read the result'));
	return steps;
}
