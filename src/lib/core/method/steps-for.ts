import type { Method, Portion } from './method.ts';
import { sampleOf } from './method.ts';
import type { ProtocolStep } from './protocol.ts';

/** The method's steps with the volume of the chosen sample written in. */
export function stepsFor(method: Method, portion: Portion): readonly ProtocolStep[] {
	const ml = sampleOf(method, portion);
	const sample = ml === null ? 'the sample' : `${ml} mL`;
	const fillIn = (text: string) => text.replaceAll('{sample}', sample);
	return method.steps.map((step) => ({ ...step, say: fillIn(step.say), detail: fillIn(step.detail) }));
}
