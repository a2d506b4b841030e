import { DeriveAgain, METHOD_KINDS, MethodFile, SaveMethod, STEP_ACTIONS } from '$lib/contract/method';
import { checkMethod, type Method } from '$lib/core/method';
import { fail, ok, type Result } from '$lib/core/result';
import { validate } from './validator.ts';

/** More than this is no method; the longest table and the longest protocol fit many times. */
export const MOST_FILE_BYTES = 256 * 1024;

const prefixed = (path: string, result: Result<unknown> & { ok: false }): Result<never> => ({
	ok: false,
	fault: { ...result.fault, field: [path, result.fault.field].filter(Boolean).join('.') }
});

/** A union's own message says nothing; the member that was meant by its "kind" does. */
function faultInSteps(method: Method, path: string): Result<never> | null {
	if (!Array.isArray(method.steps)) return null;
	for (const [i, step] of (method.steps as readonly unknown[]).entries()) {
		const action = (step as { action?: { kind?: unknown } } | null)?.action;
		const kinds = (s: (typeof STEP_ACTIONS)[number]) =>
			(s as unknown as { properties: { kind: { enum: string[] } } }).properties.kind.enum;
		const schema = STEP_ACTIONS.find(
			(s) => typeof action?.kind === 'string' && kinds(s).includes(action.kind)
		);
		if (!schema) {
			return fail('invalid-field', `${path}.steps.${i}.action.kind`, {
				rule: 'one-of',
				limit: STEP_ACTIONS.flatMap(kinds).join(', ')
			});
		}
		const checked = validate(schema, action);
		if (!checked.ok) return prefixed(`${path}.steps.${i}.action`, checked);
	}
	return null;
}

/** A method's own schema by its kind, then whether its parts fit together. */
function checkBody(method: Method, path: string): Result<Method> {
	const steps = faultInSteps(method, path);
	if (steps) return steps;
	const shaped = validate(METHOD_KINDS[method.kind], method);
	if (!shaped.ok) return prefixed(path, shaped);
	const fits = checkMethod(method);
	return fits.ok ? ok(method) : prefixed(path, fits);
}

/** Reads a method file; what is wrong with a bad one is said by its path. */
export function methodOfFile(text: string): Result<Method> {
	if (text.length > MOST_FILE_BYTES)
		return fail('too-large', 'file', { most: MOST_FILE_BYTES / 1024, unit: 'kB' });
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch (error) {
		return fail('file-unreadable', 'file', { where: error instanceof Error ? error.message : '' });
	}
	const file = validate(MethodFile, body);
	return file.ok ? checkBody(file.value.method, 'method') : file;
}

export function checkSaveMethod(body: unknown): Result<SaveMethod> {
	const command = validate(SaveMethod, body);
	if (!command.ok) return command;
	const method = checkBody(command.value.method, 'method');
	return method.ok ? command : method;
}

export const checkDeriveAgain = (body: unknown) => validate(DeriveAgain, body);
