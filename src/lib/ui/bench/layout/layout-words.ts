import { handsSecondsOf } from '$lib/core/bench';
import { stepsFor, type Method } from '$lib/core/method';
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

/** What to fetch. A sample syringe is rinsed from test to test; of the rest each test has its own. */
export function fetchList(methods: readonly Method[]): readonly string[] {
	const count = new Map<string, number>();
	for (const { equipment } of methods) {
		for (const what of equipment) count.set(what, (count.get(what) ?? 0) + 1);
	}
	return [...count].map(([what, n]) => (n > 1 && !what.includes('sample syringe') ? `${what}: ${n}` : what));
}

/** "A, B and C". */
export function listed(names: readonly string[]): string {
	return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
