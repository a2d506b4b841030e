import { describe, expect, it } from 'vitest';
import { isSameResult, type TestResult } from '../index.ts';

const VALUE: TestResult = {
	kind: 'value',
	parameter: 'alkalinity',
	unit: 'dkh',
	value: 8.1,
	uRandom: 0.2,
	uCommon: 0.1
};

describe('two results', () => {
	it('are the same to the last digit that means something, in whatever order their parts stand', () => {
		const { value, ...rest } = VALUE;
		expect(isSameResult(VALUE, { ...rest, value: value * (1 + 1e-15) })).toBe(true);
		expect(isSameResult(VALUE, { ...VALUE, uRandom: 0.2000001 })).toBe(false);
		expect(isSameResult(VALUE, { ...VALUE, unit: 'meq-per-l' })).toBe(false);
	});
	it('differ where one has what the other lacks', () => {
		expect(isSameResult(VALUE, { ...VALUE, coverage: 1.7 })).toBe(false);
		const interval = { kind: 'interval', lower: 0, upper: 0, uRandom: 0, uCommon: 0 } as const;
		const best = { ...interval, parameter: 'nitrite', unit: 'mg-per-l-no2' } as const;
		expect(isSameResult({ ...best, best: null }, { ...best, best: 0 })).toBe(false);
		expect(isSameResult({ ...best, best: 0 }, { ...best, best: 0 })).toBe(true);
	});
});
