import { fail } from '@sveltejs/kit';
import type { Fault } from '$lib/core/result';
import { faultText } from '$lib/format/faults/faults';
import { entered } from '$lib/server/validation/form';

const CONFLICTS: ReadonlySet<Fault['code']> = new Set(['id-taken', 'already-corrected']);

/** What names the entry itself stands in no field that a person sees. */
const UNSEEN: ReadonlySet<string> = new Set(['id', 'kind', 'parameter', 'waterId', 'body']);

/** A fault of something that has no field on the page is said above all: its own place is not there. */
export function isStray(form: FormData, field: string): boolean {
	const last = field.split('.').at(-1) ?? '';
	const sent = [...form.keys()].some(
		(name) => name !== '' && (field === name || field.endsWith(`.${name}`) || name.endsWith(`.${last}`))
	);
	return field === '' || UNSEEN.has(last) || !sent;
}

const statusOf = (code: Fault['code']) => (code === 'not-allowed' ? 403 : CONFLICTS.has(code) ? 409 : 400);

/** The answer of a form that was refused: what is wrong, at which field, and all that was entered. */
export function refused(form: FormData, fault: Fault) {
	const field = fault.field ?? '';
	return fail(statusOf(fault.code), {
		entered: entered(form),
		field,
		stray: isStray(form, field),
		code: fault.code,
		text: faultText(fault)
	});
}
