import { describe, expect, it } from 'vitest';
import { fieldWords, hasWords, ruleWords } from './field-words';
import { faultText } from './faults';

/** All names of fields in a schema, however deep. */
function namesIn(schema: unknown, found = new Set<string>()): Set<string> {
	if (Array.isArray(schema)) for (const inner of schema) namesIn(inner, found);
	else if (schema !== null && typeof schema === 'object') {
		for (const [key, inner] of Object.entries(schema)) {
			if (key === 'properties') for (const name of Object.keys(inner as object)) found.add(name);
			namesIn(inner, found);
		}
	}
	return found;
}

describe('every field that can be wrong', () => {
	// A method file is written by hand or by a program: there the path itself is what is looked for.
	const modules = import.meta.glob<Record<string, unknown>>(
		['../../contract/*.ts', '!../../contract/method.ts', '!../../contract/*.test.ts'],
		{
			eager: true
		}
	);
	const names = [...namesIn(Object.values(modules).flatMap((m) => Object.values(m)))].sort();
	it('is found in the contracts', () => expect(names.length).toBeGreaterThan(150));
	it.each(names)('%s has words of its own', (name) => expect(hasWords(name)).toBe(true));
});

describe('a fault of a field', () => {
	it.each([
		['bands.calcium.low', 'The lower limit of calcium'],
		['calcium.high', 'The upper limit of calcium'],
		['rows.2.value', 'The value in row 3'],
		['details.newWater.ph.value', 'The value of pH'],
		['details.amountMl', 'The amount'],
		['reading.fills.0.end.lowerMl', 'The end of a filling in row 1'],
		['content.ph', 'PH'],
		['method.steps.0.action.kind', 'In the method file, “method.steps.0.action.kind”'],
		['nothing.known', 'A field of this form']
	])('%s is called "%s"', (field, words) => expect(fieldWords(field)).toBe(words));
	it.each([
		['at-least', '3', 'must be at least 3'],
		['above', '0', 'must be above 0'],
		['letters-at-most', '120', 'is longer than 120 letters'],
		['word', '', 'is none of the words that it can be'],
		['date-and-time', '', 'must be a date that is in the calendar, and a time']
	])('breaks the rule %s %s: "%s"', (rule, limit, words) => expect(ruleWords(rule, limit)).toBe(words));
	it('is one sentence', () => {
		const details = { rule: 'at-most', limit: 40 };
		expect(faultText({ code: 'invalid-field', field: 'bands.alkalinity.high', details })).toBe(
			'The upper limit of alkalinity must be at most 40.'
		);
	});
});
