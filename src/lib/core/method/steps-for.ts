import type { Method, Portion } from './method.ts';
import { sampleOf } from './method.ts';
import type { ProtocolStep, StepAction } from './protocol.ts';

/** What is added with half the sample, where the leaflet gives another count, volume or end of the spoon. */
function halved(action: StepAction): StepAction {
	if (!('half' in action) || !action.half) return action;
	const { half, ...rest } = action;
	const { say: _, ...own } = half;
	if ('count' in own) {
		const handsS = (action.handsS * own.count) / ('count' in action ? action.count : own.count);
		return { ...rest, ...own, handsS };
	}
	return { ...rest, ...own };
}

function withHalfSample(step: ProtocolStep): ProtocolStep {
	const { action } = step;
	if (!('half' in action) || !action.half) return step;
	// Its own words name the count of the whole sample.
	return { ...step, action: halved(action), say: action.half.say ?? step.say };
}

/** The method's steps as they are for the chosen sample: with its volume written in, and its own counts and scoops. */
export function stepsFor(method: Method, portion: Portion): readonly ProtocolStep[] {
	const ml = sampleOf(method, portion);
	const sample = ml === null ? 'the sample' : `${ml} mL`;
	const fillIn = (text: string) => text.replaceAll('{sample}', sample);
	const steps = portion === 'half' ? method.steps.map(withHalfSample) : method.steps;
	return steps.map((step) => ({ ...step, say: fillIn(step.say), detail: fillIn(step.detail) }));
}
