import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contentHash } from './once.ts';

describe('the content of a command', () => {
	it('has one digest, whatever the order of its fields', () => {
		fc.assert(
			fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (content) => {
				const turned = Object.fromEntries(Object.entries(content).reverse());
				expect(contentHash(turned)).toBe(contentHash(content));
			})
		);
		expect(contentHash({ a: 1, b: undefined })).toBe(contentHash({ a: 1 }));
	});
	it('has another digest when anything in it is other', () => {
		expect(contentHash({ a: [1, 2] })).not.toBe(contentHash({ a: [2, 1] }));
		expect(contentHash({ a: 1 })).not.toBe(contentHash({ a: '1' }));
		expect(contentHash({ a: null })).not.toBe(contentHash({}));
	});
});
