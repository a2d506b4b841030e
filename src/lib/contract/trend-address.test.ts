import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { instant } from '$lib/core/time';
import { readRows, readTrendAddress, trendAddress, type TrendAddress } from './trend-address';

const MINUTE_MS = 60_000;
const minutes = fc.integer({ min: 1, max: 60_000_000 }).map((m) => instant(m * MINUTE_MS));
const rows = fc.uniqueArray(fc.constantFrom(...PARAMETER_IDS), { minLength: 1 });
const parts = {
	rows: fc.option(rows),
	over: fc.option(
		fc
			.uniqueArray(fc.constantFrom(...PARAMETER_IDS), { minLength: 2, maxLength: 2 })
			.map(([a, b]) => [a!, b!] as const)
	),
	beside: fc.option(fc.uuid()),
	corrected: fc.boolean(),
	at: fc.option(minutes)
};
const seen: fc.Arbitrary<TrendAddress> = fc.oneof(
	fc.record({
		span: fc.constantFrom('week', 'month', 'quarter', 'year', 'all'),
		from: fc.constant(null),
		to: fc.constant(null),
		...parts
	}),
	fc
		.record({
			span: fc.constant(null),
			from: minutes,
			length: fc.integer({ min: 1, max: 100_000 }),
			...parts
		})
		.map(({ length, ...rest }) => ({ ...rest, to: instant(rest.from + length * MINUTE_MS) }))
);

describe('the address of what is looked at', () => {
	it('brings back the same view, to the minute', () => {
		fc.assert(
			fc.property(seen, (view) => {
				expect(readTrendAddress(new URLSearchParams(trendAddress(view)))).toEqual(view);
			}),
			{ seed: 23 }
		);
	});
	it('is a quarter, and nothing else, where it says nonsense', () => {
		fc.assert(
			fc.property(
				fc.dictionary(fc.constantFrom('span', 'from', 'to', 'over', 'beside', 'at'), fc.string()),
				(said) => {
					const read = readTrendAddress(new URLSearchParams(said));
					expect(readTrendAddress(new URLSearchParams(trendAddress(read)))).toEqual(read);
				}
			),
			{ seed: 23 }
		);
		expect(
			readTrendAddress(new URLSearchParams('span=toString&from=2026-13-99T00:00&to=x&rows=.constructor.'))
		).toEqual({
			...readTrendAddress(new URLSearchParams())
		});
	});
	it('names each row once', () => {
		expect(readRows('calcium.calcium.nothing.alkalinity')).toEqual(['calcium', 'alkalinity']);
		expect(readRows('')).toBeNull();
	});
});
