import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyReading } from '../../../../tests/support/extreme-readings.ts';
import { SHIPPED_METHODS } from '../method/index.ts';
import { PARAMETER_IDS, PARAMETERS } from '../quantity/index.ts';
import { derive, unsoundness, type TestResult } from '../reading/index.ts';
import { addDays, fromIso } from '../time/index.ts';
import type { History } from './estimate.ts';
import { estimateWater } from './water-estimate.ts';

const NOW = fromIso('2026-11-23T18:00:00Z');

function historyOf(results: readonly TestResult[]): History[] {
	return PARAMETER_IDS.map((parameter) => ({
		parameter,
		observations: results.flatMap((result, i) =>
			result.parameter === parameter
				? [{ id: `${i}`, at: addDays(NOW, i - results.length), kit: `kit-${i % 2}`, result }]
				: []
		),
		inputs: []
	})).filter((h) => h.observations.length > 0);
}
const told = (results: readonly TestResult[]) => {
	const estimate = estimateWater(historyOf(results), NOW);
	for (const parameter of PARAMETER_IDS) {
		const line = estimate.of(parameter);
		if (!line) continue;
		const { value, uRandom, uCommon } = line.at(NOW);
		expect([value, uRandom, uCommon].every(Number.isFinite)).toBe(true);
	}
	return estimate;
};

describe('whatever a method accepts', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))('%s: can be reckoned with', (_code, method) => {
		fc.assert(
			fc.property(fc.array(anyReading(method), { minLength: 1, maxLength: 5 }), (readings) => {
				const results = readings.flatMap((reading) => {
					const derived = derive(method, reading);
					return derived.ok ? derived.value.outcomes.map((o) => o.result) : [];
				});
				for (const result of results) expect(unsoundness(result), JSON.stringify(result)).toBeNull();
				expect(told(results).leftOut).toEqual([]);
			}),
			{ numRuns: 60, seed: 16 }
		);
	});
});

const anyValue = fc.oneof(
	fc.constantFrom(0, -1, 1e-300, 1e6, 1e308, Number.NaN, Number.POSITIVE_INFINITY),
	fc.double({ min: 0, max: 2000, noNaN: true })
);
/** What an earlier version, or a hand in the database, may have stored. */
const anyStored: fc.Arbitrary<TestResult> = fc
	.tuple(
		fc.constantFrom(...PARAMETER_IDS),
		fc.integer({ min: 0, max: 2 }),
		anyValue,
		anyValue,
		anyValue,
		anyValue
	)
	.map(([parameter, kind, a, b, c, d]) => {
		const measured = { parameter, unit: PARAMETERS[parameter].canonicalUnit };
		if (kind === 0) return { ...measured, kind: 'value', value: a, uRandom: b, uCommon: c };
		if (kind === 1)
			return { ...measured, kind: 'interval', lower: a, upper: b, best: c, uRandom: c, uCommon: d };
		return { ...measured, kind: 'bound', sense: b > c ? '<' : '>', limit: a };
	});

describe('whatever was stored', () => {
	it('is named with its reason where it cannot be used, and takes nothing else with it', () => {
		fc.assert(
			fc.property(fc.array(anyStored, { minLength: 1, maxLength: 12 }), (results) => {
				const { leftOut } = told(results);
				const named = new Set(leftOut.map((l) => l.id));
				for (const [i, result] of results.entries()) {
					expect(named.has(`${i}`), JSON.stringify(result)).toBe(unsoundness(result) !== null);
				}
			}),
			{ numRuns: 300, seed: 16 }
		);
	});
	it('beside good readings leaves their line as it is', () => {
		const good = [7.9, 8.1, 8.0, 8.2].map((value): TestResult => ({
			parameter: 'alkalinity',
			unit: 'dkh',
			kind: 'value',
			value,
			uRandom: 0.1,
			uCommon: 0.1
		}));
		const nothing: TestResult = {
			parameter: 'nitrate',
			unit: 'mg-per-l-no3',
			kind: 'bound',
			sense: '<',
			limit: 0
		};
		const alone = historyOf(good);
		const withNothing = [
			...alone,
			...historyOf([nothing]).map((h) => ({ ...h, parameter: 'nitrate' as const }))
		];
		const beside = estimateWater(withNothing, NOW);
		expect(beside.leftOut).toEqual([{ id: '0', parameter: 'nitrate', why: 'empty' }]);
		expect(beside.of('nitrate')).toBeNull();
		expect(beside.of('alkalinity')!.at(NOW)).toEqual(estimateWater(alone, NOW).of('alkalinity')!.at(NOW));
	});
});
