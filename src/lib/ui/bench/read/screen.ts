import { titrationsOf, type Method, type StepAction } from '$lib/core/method';
import { formOf, type ReadingForm } from '$lib/core/reading';

/** What the bench shows for one step: an instrument to be read, or what to do. */
export type BenchScreen = 'count-drops' | 'titrate' | 'steps' | 'display' | 'line' | 'instruction';

/** Which instrument a step "read" brings; a titration is read where it is titrated, a stated value nowhere at the bench. */
const READ_BY: Readonly<Record<ReadingForm, BenchScreen>> = {
	step: 'steps',
	display: 'display',
	line: 'line',
	syringe: 'instruction',
	drops: 'instruction',
	pair: 'instruction',
	difference: 'instruction',
	stated: 'instruction'
};

/** The screen of a step. Every step has one: what no instrument reads is an instruction. */
export function screenOf(method: Method, action: StepAction): BenchScreen {
	if (action.kind === 'read') return READ_BY[formOf(method)];
	if (action.kind !== 'titrate') return 'instruction';
	const titration = titrationsOf(method)[action.titration ?? 0];
	if (!titration) return 'instruction';
	return titration.meter.kind === 'drops' ? 'count-drops' : 'titrate';
}
