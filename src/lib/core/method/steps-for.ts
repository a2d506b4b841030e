import type { ProtocolStep } from './protocol.ts';
import type { Portion, SyringeMethod } from './syringe-method.ts';

/** The method's steps with the volumes of the chosen sample written in. */
export function stepsFor(method: SyringeMethod, portion: Portion): readonly ProtocolStep[] {
	const sample = `${method.sampleMl[portion]} mL`;
	const fillIn = (text: string) => text.replaceAll('{sample}', sample);
	return method.steps.map((step) => ({ ...step, say: fillIn(step.say), detail: fillIn(step.detail) }));
}
