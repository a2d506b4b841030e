import { OPERATIONS } from './operations.ts';
import { Given, type Json, type Outcome, type ReferenceCase } from './shape.ts';

export interface Mismatch {
	readonly key: string;
	readonly expected: Json | string;
	readonly computed: Json | string;
}

function differs(expected: Json, computed: Json | undefined, tolerance: number): boolean {
	if (Array.isArray(expected)) {
		const list = expected as readonly Json[];
		return (
			!Array.isArray(computed) ||
			computed.length !== list.length ||
			list.some((e, i) => differs(e, (computed as readonly Json[])[i], tolerance))
		);
	}
	if (typeof expected === 'number')
		return typeof computed !== 'number' || !(Math.abs(computed - expected) <= tolerance);
	return computed !== expected;
}

function run(reference: ReferenceCase): Outcome | { readonly unknown: string } {
	const operation = OPERATIONS[reference.op];
	if (!operation) return { unknown: `unknown operation "${reference.op}"` };
	const given = new Given(reference.given);
	try {
		const outcome = operation(given, reference.expect);
		const extra = given.unknownKeys();
		return extra.length > 0 ? { unknown: `unknown key "${extra.join('", "')}"` } : outcome;
	} catch (error) {
		// A broken contract is a refusal of the core; anything else is a crash and stays one.
		if (error instanceof RangeError) return { refused: error.message };
		return { unknown: error instanceof Error ? error.message : String(error) };
	}
}

/** All that does not fit; an empty list is a pass. */
export function checkCase(reference: ReferenceCase): Mismatch[] {
	const outcome = run(reference);
	if ('unknown' in outcome) return [{ key: '-', expected: 'an answer', computed: outcome.unknown }];
	const mustRefuse = reference.expect.error === true || reference.expect.inconsistent === true;
	if (mustRefuse) {
		return 'refused' in outcome
			? []
			: [{ key: 'error', expected: 'a refusal', computed: JSON.stringify(outcome.values) }];
	}
	if ('refused' in outcome)
		return [{ key: '-', expected: 'an answer', computed: `refused: ${outcome.refused}` }];
	return Object.entries(reference.expect).flatMap(([key, expected]) =>
		differs(expected, outcome.values[key], reference.tolerance?.[key] ?? 0)
			? [{ key, expected, computed: outcome.values[key] ?? 'nothing' }]
			: []
	);
}
