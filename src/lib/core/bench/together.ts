import { isCommonRinse, type Method, type ProtocolStep } from '../method/index.ts';
import type { ParameterId } from '../quantity/index.ts';

/** A sample for these is drawn when it is tested: standing in an open vial it takes on the room's air and warmth. */
const DRAWN_AT_ONCE: ReadonlySet<ParameterId> = new Set<ParameterId>(['ph', 'temperature', 'ammonia']);

/**
 * How many of a test's first steps are done for all tests of a session at once, while they are laid out: the vials
 * are rinsed together where the test rinses them as all do, and the samples drawn one after another with one syringe,
 * where that changes nothing in them.
 *
 * @returns 0, 1 (rinsed) or 2 (rinsed and drawn)
 */
export function stepsTogether({ parameter }: Method, steps: readonly ProtocolStep[]): 0 | 1 | 2 {
	const [first, second] = steps;
	if (!first || !isCommonRinse(first)) return 0;
	const draws = second?.action.kind === 'draw' && second.vial === undefined;
	return draws && !DRAWN_AT_ONCE.has(parameter) ? 2 : 1;
}
