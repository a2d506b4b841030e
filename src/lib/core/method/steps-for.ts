import type { Method, Portion } from './method.ts';
import { sampleOf } from './method.ts';
import type { ProtocolStep, StepAction } from './protocol.ts';
import { step as inCommonWords } from './step-words.ts';

/** What is added with half the sample, where the leaflet gives another count, volume or end of the spoon. */
function halved(action: StepAction): StepAction | null {
	if (!('half' in action) || !action.half) return null;
	const { half, ...rest } = action;
	if ('count' in half) {
		const handsS = (action.handsS * half.count) / ('count' in action ? action.count : half.count);
		return { ...rest, ...half, handsS };
	}
	return { ...rest, ...half };
}

function withHalfSample(step: ProtocolStep): ProtocolStep {
	const action = halved(step.action);
	if (!action) return step;
	const { reagent, vial } = step;
	// Its own words name the count of the whole sample: the common ones are said instead.
	const { say } = inCommonWords(action, { ...(reagent ? { reagent } : {}), ...(vial ? { vial } : {}) });
	return { ...step, action, say };
}

/** The method's steps as they are for the chosen sample: with its volume written in, and its own counts and scoops. */
export function stepsFor(method: Method, portion: Portion): readonly ProtocolStep[] {
	const ml = sampleOf(method, portion);
	const sample = ml === null ? 'the sample' : `${ml} mL`;
	const fillIn = (text: string) => text.replaceAll('{sample}', sample);
	const steps = portion === 'half' ? method.steps.map(withHalfSample) : method.steps;
	return steps.map((step) => ({ ...step, say: fillIn(step.say), detail: fillIn(step.detail) }));
}
