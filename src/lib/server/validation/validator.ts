import type { Static, TSchema } from '@sinclair/typebox';
import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import { isParameterId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';

const ajv = new Ajv({ allErrors: false, strict: true, strictTypes: false, useDefaults: false });
// How a thing is typed is no matter of what it may be.
ajv.addKeyword('typed');

const compiled = new WeakMap<TSchema, ValidateFunction>();

function compile(schema: TSchema): ValidateFunction {
	let validate = compiled.get(schema);
	if (!validate) {
		validate = ajv.compile(schema);
		compiled.set(schema, validate);
	}
	return validate;
}

/** A list's member by what it is about, so that a person finds it: "bands.calcium.low" instead of "bands.1.low". */
function pathOf(data: unknown, pointer: string): string[] {
	let at: unknown = data;
	return pointer
		.split('/')
		.slice(1)
		.map((part) => {
			const inList = Array.isArray(at);
			const own = typeof at === 'object' && at !== null && Object.hasOwn(at, part);
			at = own ? (at as Record<string, unknown>)[part] : undefined;
			const parameter = (at as { parameter?: unknown } | null | undefined)?.parameter;
			return inList && typeof parameter === 'string' && isParameterId(parameter) ? parameter : part;
		});
}

const TYPES: Readonly<Record<string, string>> = {
	number: 'number',
	integer: 'whole',
	string: 'text',
	array: 'list'
};

/** What is broken, by the keyword of the schema and its own numbers. */
function ruleOf({ keyword, params }: ErrorObject): {
	readonly rule: string;
	readonly limit?: string | number;
} {
	const limit = (params as { limit?: number }).limit ?? 0;
	switch (keyword) {
		case 'required':
			return { rule: 'missing' };
		case 'type':
			return { rule: TYPES[String((params as { type?: unknown }).type)] ?? 'object' };
		case 'minimum':
			return { rule: 'at-least', limit };
		case 'exclusiveMinimum':
			return { rule: 'above', limit };
		case 'maximum':
			return { rule: 'at-most', limit };
		case 'exclusiveMaximum':
			return { rule: 'below', limit };
		case 'minLength':
			return limit === 1 ? { rule: 'missing' } : { rule: 'letters-at-least', limit };
		case 'maxLength':
			return { rule: 'letters-at-most', limit };
		case 'minItems':
			return limit === 1 ? { rule: 'missing' } : { rule: 'items-at-least', limit };
		case 'maxItems':
			return { rule: 'items-at-most', limit };
		case 'uniqueItems':
			return { rule: 'twice' };
		case 'enum':
		case 'const':
			return { rule: 'word' };
		case 'pattern':
			return { rule: 'pattern' };
		case 'additionalProperties':
			return { rule: 'unknown' };
		default:
			return { rule: 'object' };
	}
}

function faultOf(error: ErrorObject, data: unknown): Result<never> {
	const params = error.params as { missingProperty?: string; additionalProperty?: string };
	const own = params.missingProperty ?? params.additionalProperty;
	const path = pathOf(data, error.instancePath);
	const field = (own === undefined ? path : [...path, own]).join('.') || 'body';
	return fail('invalid-field', field, ruleOf(error));
}

/** Half of a surrogate pair is no character: it cannot be stored as it was sent. */
const HALF_CHARACTER = /\p{Cs}/u;

/** The first text, or name of a field, that is none; looked for without recursion, however deep the data is nested. */
function brokenText(data: unknown): string | null {
	const left: [unknown, string][] = [[data, '']];
	for (let next = left.pop(); next; next = left.pop()) {
		const [value, path] = next;
		if (typeof value === 'string' && HALF_CHARACTER.test(value)) return path || 'body';
		if (typeof value !== 'object' || value === null) continue;
		for (const [key, inner] of Object.entries(value)) {
			if (HALF_CHARACTER.test(key)) return path || 'body';
			left.push([inner, path ? `${path}.${key}` : key]);
		}
	}
	return null;
}

/**
 * Checks data that came from outside against its schema.
 *
 * @returns the data with its type, or a fault that names the field and the rule that it breaks
 */
export function validate<S extends TSchema>(schema: S, data: unknown): Result<Static<S>> {
	const broken = brokenText(data);
	if (broken !== null) return fail('invalid-field', broken, { rule: 'text-broken' });
	const check = compile(schema);
	if (check(data)) return ok(data as Static<S>);
	return faultOf(check.errors![0]!, data);
}
