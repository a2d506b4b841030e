import type { Static, TSchema } from '@sinclair/typebox';
import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import { fail, ok, type Result } from '$lib/core/result';

const ajv = new Ajv({ allErrors: false, strict: true, strictTypes: false, useDefaults: false });

const compiled = new WeakMap<TSchema, ValidateFunction>();

function compile(schema: TSchema): ValidateFunction {
	let validate = compiled.get(schema);
	if (!validate) {
		validate = ajv.compile(schema);
		compiled.set(schema, validate);
	}
	return validate;
}

/** The path of the field, in dots, and what is wrong with it in Ajv's words ("must be >= 0"). */
function describe(error: ErrorObject): { field: string; reason: string } {
	const path = error.instancePath.slice(1).replaceAll('/', '.');
	const own =
		error.keyword === 'required'
			? String(error.params.missingProperty)
			: error.keyword === 'additionalProperties'
				? String(error.params.additionalProperty)
				: '';
	const field = [path, own].filter(Boolean).join('.') || 'body';
	const reason = error.keyword === 'required' ? 'is missing' : (error.message ?? 'is not valid');
	return { field, reason };
}

/**
 * Checks data that came from outside against its schema.
 *
 * @returns the data with its type, or a fault that names the field and the reason
 */
export function validate<S extends TSchema>(schema: S, data: unknown): Result<Static<S>> {
	const check = compile(schema);
	if (check(data)) return ok(data as Static<S>);
	const { field, reason } = describe(check.errors![0]!);
	return fail('invalid-field', field, { reason });
}
