import { parseSteps, textOfStep, type Method, type ParsedStep, type Step } from '$lib/core/method';
import { hasScale, titrates, type MethodText } from './method-text';

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

const assembles = ({ step }: DraftStep) => step.action.kind === 'prepare' && step.action.doing === 'assemble';

/** Parts that have to be put together before anything else, where nobody wrote it down. */
function putTogether(
	{ kind, hasDisc }: Pick<MethodText, 'kind' | 'hasDisc'>,
	steps: readonly DraftStep[]
): readonly DraftStep[] {
	if (steps.some(assembles)) return [];
	const filters = steps.some((s) => s.step.action.kind === 'filter');
	return [
		...(kind === 'comparator' && hasDisc
			? putIn('put together the comparator with the disc of this test')
			: []),
		...(filters ? putIn('assemble the filter cup') : [])
	];
}

/** The second titration in a vial is told from the first. */
function numbered(steps: readonly DraftStep[]): readonly DraftStep[] {
	let titrations = 0;
	return steps.map((one) => {
		const { action } = one.step;
		if (action.kind !== 'titrate' || titrations++ === 0) return one;
		return { ...one, step: { ...one.step, action: { ...action, titration: 1 as const } } };
	});
}

/** Only the last reading is the result's; a temperature that is read on the way is done as it says. */
function oneReading(steps: readonly DraftStep[]): readonly DraftStep[] {
	const last = steps.findLastIndex((s) => s.step.action.kind === 'read');
	return steps.map((one, i) => {
		const { action } = one.step;
		if (action.kind !== 'read' || i === last) return one;
		return { ...one, step: { ...one.step, action: { ...action, kind: 'do' as const } } };
	});
}

/**
 * The steps of the text, with what every protocol needs put in where it was left out: parts put together, a rinsed
 * vial, the sample, and the reading at the end.
 *
 * @param base the method that is adapted, if any
 */
export function stepsOf(
	text: Pick<MethodText, 'kind' | 'steps' | 'fullMl' | 'hasDisc'>,
	base: Method | null
): readonly DraftStep[] {
	const own = ownSteps(base);
	const steps = parseSteps(text.steps).map((parsed): DraftStep => {
		const step = own.get(parsed.text.toLowerCase())?.shift();
		return step ? { text: parsed.text, step, understood: true, added: false } : { ...parsed, added: false };
	});
	const count = (kind: Step['action']['kind']) => steps.filter((s) => s.step.action.kind === kind).length;
	const first = steps[0]?.step.action;
	const rinses = first?.kind === 'prepare' && first.of === undefined;
	const measured =
		!hasScale(text.kind) &&
		text.kind !== 'thermometer' &&
		(text.kind !== 'display' || text.fullMl.trim() !== '');
	if (measured && count('draw') === 0) {
		const rinse = rinses ? [] : putIn('rinse the vial with purified water, then with the water to be tested');
		steps.splice(rinses ? 1 : 0, 0, ...rinse, ...putIn('draw the sample'));
	}
	if (base === null) steps.unshift(...putTogether(text, steps));
	if (!titrates(text)) {
		if (count('read') === 0) steps.push(...putIn('read the result'));
		return oneReading(steps);
	}
	const wanted = text.kind === 'paired-titration' ? 2 : 1;
	for (let n = count('titrate'); n < wanted; n++) steps.push(...putIn('titrate until the colour turns'));
	return text.kind === 'paired-titration' ? numbered(steps) : steps;
}
