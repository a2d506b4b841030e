import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ParameterId } from '../quantity/index.ts';
import type { TestResult } from '../reading/index.ts';
import { sourceFit, type WantedBand } from './source-fit.ts';

const value = (parameter: ParameterId, x: number, u: number) =>
	({ kind: 'value', parameter, value: x, uRandom: u, uCommon: 0 }) as unknown as TestResult;
const read = (...all: readonly TestResult[]) => new Map(all.map((r) => [r.parameter, r]));
const band = (parameter: ParameterId, low: number | null, high: number | null): WantedBand => ({
	parameter,
	low,
	high,
	aim: null
});
const SOFT = [band('hardness', 2, 6), band('alkalinity', 1, 3), band('nitrate', null, 20), band('ph', 6, 7)];

describe('a source held against what animals want', () => {
	it('tells what fits, what does not, what is too near and what was never read', () => {
		const fit = sourceFit(
			SOFT,
			read(value('hardness', 15, 0.5), value('nitrate', 4, 0.5), value('ph', 7.6, 0.1))
		);
		expect(fit).toMatchObject({
			fits: ['nitrate'],
			misses: [{ parameter: 'hardness', side: 'high' }],
			unsure: [],
			unread: ['alkalinity']
		});
		expect(sourceFit(SOFT, read(value('hardness', 6, 1)))?.unsure).toEqual(['hardness']);
		expect(sourceFit(SOFT, read(value('alkalinity', 0.1, 0.1)))?.misses[0]?.side).toBe('low');
	});
	it('says nothing of salt water, nor of what the tank makes of it', () => {
		expect(sourceFit([band('salinity', 34, 36), band('nitrate', 1, 5)], read())).toBeNull();
		expect(sourceFit([band('ph', 6, 7), band('temperature', 24, 26)], read())).toBeNull();
		expect(sourceFit([band('hardness', null, null)], read())).toBeNull();
	});
	it('takes each wanted parameter exactly once', () => {
		const x = fc.double({ min: 0, max: 30, noNaN: true });
		fc.assert(
			fc.property(x, x, fc.double({ min: 0.01, max: 5, noNaN: true }), (gh, kh, u) => {
				const { fits, misses, unsure, unread } = sourceFit(
					SOFT,
					read(value('hardness', gh, u), value('alkalinity', kh, u))
				)!;
				const all = [...fits, ...misses.map((m) => m.parameter), ...unsure, ...unread];
				expect(all.toSorted()).toEqual(['alkalinity', 'hardness', 'nitrate']);
			})
		);
	});
});
