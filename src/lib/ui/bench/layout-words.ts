import { handsSecondsOf } from '$lib/core/bench';
import { stepsFor } from '$lib/core/method';
import type { BenchDraft } from '$lib/ui/shared/bench-session';

/** Seconds in which the hands are busy with a test. */
export function handsOn(test: BenchDraft): number {
	return stepsFor(test.method, test.portion).reduce((sum, step) => sum + handsSecondsOf(step), 0);
}

/** Which vial reacts, for tests that have two. */
export function vialMap(test: BenchDraft, name: string): readonly string[] {
	const { method } = test;
	if (method.kind === 'comparator' && method.blank) {
		return [`${name}: the marked vial reacts; the other stays plain water, the blank.`];
	}
	const vials = method.equipment.filter((e) => /\bvial\b/i.test(e));
	return vials.length > 1
		? [`${name}: the marked vial reacts; what is titrated goes into the second one.`]
		: [];
}
