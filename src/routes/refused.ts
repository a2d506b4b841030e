import { fail } from '@sveltejs/kit';
import type { Fault } from '$lib/core/result';
import { faultText } from '$lib/format/faults';
import { entered } from '$lib/server/validation/form';

const CONFLICTS: ReadonlySet<Fault['code']> = new Set(['id-taken', 'already-corrected']);

/** The answer of a form that was refused: what is wrong, at which field, and all that was entered. */
export function refused(form: FormData, fault: Fault) {
	return fail(CONFLICTS.has(fault.code) ? 409 : 400, {
		entered: entered(form),
		field: fault.field ?? '',
		code: fault.code,
		text: faultText(fault)
	});
}
