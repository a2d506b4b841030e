import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typedNumber } from './index.ts';

describe('a number as a person types it', () => {
	it.each([
		['12.5', 12.5],
		[' 12,5 ', 12.5],
		['.5', 0.5],
		['-3', -3],
		['−3', -3],
		['+7.', 7],
		['', null],
		['   ', null],
		[' '.repeat(10_000_000), null]
	])('%.10j is %j', (text, value) => expect(typedNumber(text)).toBe(value));
	it.each(['lots', '1e9', 'NaN', 'Infinity', '0x10', '1.2.3', '12 5', '--1', '9'.repeat(10_000_000)])(
		'%.10j is none',
		(text) => expect(typedNumber(text)).toBeNaN()
	);
	it('is never anything but a finite number, nothing, or refused', () => {
		fc.assert(
			fc.property(fc.string(), (text) => {
				const value = typedNumber(text);
				expect(value === null || Number.isNaN(value) || Number.isFinite(value)).toBe(true);
			})
		);
	});
	it('comes back from its own text', () => {
		fc.assert(
			fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (x) => {
				const text = x.toFixed(6);
				expect(typedNumber(text)).toBe(Number(text));
				expect(typedNumber(text.replace('.', ','))).toBe(Number(text));
			})
		);
	});
});
