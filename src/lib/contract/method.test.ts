import { readFileSync } from 'node:fs';
import { Ajv } from 'ajv';
import { describe, expect, it } from 'vitest';
import { NO3_CARD, SHIPPED_METHODS } from '$lib/core/method';
import { METHOD_FILE_FORMAT, METHOD_FILE_VERSION, methodFileSchema } from './method';

const fileOf = (method: unknown) => ({
	format: METHOD_FILE_FORMAT,
	formatVersion: METHOD_FILE_VERSION,
	method
});

describe('the published schema of a method file', () => {
	const published = JSON.parse(readFileSync('docs/method-file.schema.json', 'utf8')) as object;
	const check = new Ajv({ strict: false }).compile(published);

	it('is the one that is checked; npm run schema writes it', () => {
		expect(published).toEqual(JSON.parse(JSON.stringify(methodFileSchema())));
	});
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))('admits %s', (_code, method) => {
		expect(check(fileOf(method)), JSON.stringify(check.errors?.[0])).toBe(true);
	});
	it('admits nothing else', () => {
		expect(check(fileOf({ ...NO3_CARD, colourSteps: [] }))).toBe(false);
		expect(check(fileOf({ ...NO3_CARD, extra: 1 }))).toBe(false);
		expect(check({ method: NO3_CARD })).toBe(false);
	});
});
