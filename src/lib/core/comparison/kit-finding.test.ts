import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { correctedValue } from '../method/index.ts';
import type { TestResult } from '../reading/index.ts';
import { kitFinding, standardCheck, type KitFinding, type StandardTried } from './index.ts';

const read = (value: number, uRandom = 0.1): TestResult => ({
	kind: 'value',
	parameter: 'alkalinity',
	unit: 'dkh',
	value,
	uRandom,
	uCommon: 0.08
});
const standard = (value: number, u: number, ...readings: TestResult[]): StandardTried => ({
	holds: { value, u },
	readings
});
function findingOf(...tried: StandardTried[]): KitFinding {
	const found = kitFinding('alkalinity', tried);
	if (!found.ok) throw new Error(found.fault.code);
	return found.value;
}

describe('a kit on a standard', () => {
	it('is in order, off or far off by what the reading can tell', () => {
		expect(findingOf(standard(8.1, 0.04, read(8.2))).state).toBe('in-order');
		expect(findingOf(standard(8.1, 0.04, read(8.37))).state).toBe('off');
		expect(findingOf(standard(8.1, 0.04, read(8.9))).state).toBe('far-off');
		// The same error seen by a coarser reading is none that can be told.
		expect(findingOf(standard(8.1, 0.04, read(8.9, 0.5))).state).toBe('in-order');
	});
	it('says the least error that such a check shows', () => {
		const check = standardCheck([7.1, 6.9, 7], { value: 7, u: 0.05 }, 0.15);
		expect(check.uBias).toBeCloseTo(0.1, 12);
		expect(check.leastSeen).toBeCloseTo(0.2, 12);
	});
	it('gives a factor that turns what was read into what is there', () => {
		fc.assert(
			fc.property(fc.double({ min: 6.6, max: 10, noNaN: true }), (value) => {
				const { correction } = findingOf(standard(8.1, 0.04, read(value)));
				expect(correctedValue(correction!, value).value).toBeCloseTo(8.1, 9);
				expect(correctedValue(correction!, value).u).toBeCloseTo(
					8.1 * Math.hypot(0.04 / 8.1, 0.1 / value),
					9
				);
			})
		);
	});
	it('asks for a repeat before it believes in a factor that no kit should need', () => {
		const once = findingOf(standard(8.1, 0.04, read(5)));
		expect(once).toMatchObject({ correction: null, obstacle: 'implausible', state: 'far-off' });
		expect(findingOf(standard(8.1, 0.04, read(5), read(5.05))).correction).not.toBeNull();
	});
	it('asks for another try where repeats lie too far apart', () => {
		expect(findingOf(standard(8.1, 0.04, read(8), read(8.6)))).toMatchObject({
			correction: null,
			obstacle: 'repeats-apart'
		});
	});
	it('lays a line through two standards, of which one may be pure water', () => {
		const { correction, standards } = findingOf(standard(12, 0.05, read(12.6)), standard(6, 0.05, read(6.2)));
		expect(standards.map((s) => s.holds.value)).toEqual([6, 12]);
		expect(correctedValue(correction!, 6.2).value).toBeCloseTo(6, 9);
		expect(correctedValue(correction!, 12.6).value).toBeCloseTo(12, 9);
		expect(findingOf(standard(0, 0.01, read(0.3)), standard(8, 0.05, read(8.5))).correction?.kind).toBe(
			'line'
		);
	});
	it('lays it through the lowest and the highest of three, and holds all of them against it', () => {
		const found = findingOf(
			standard(9, 0.05, read(10.5)),
			standard(12, 0.05, read(12.1)),
			standard(6, 0.05, read(6.1))
		);
		expect(found.standards.map((s) => s.holds.value)).toEqual([6, 9, 12]);
		expect(found).toMatchObject({
			state: 'far-off',
			correction: { kind: 'line', low: { value: 6 }, high: { value: 12 } }
		});
	});
	it('reads pure water as a zero that is off', () => {
		expect(findingOf(standard(0, 0.01, read(0.4))).correction).toMatchObject({
			kind: 'offset',
			offset: -0.4
		});
	});
	it('refuses a bound, which lies at no distance from anything, and a check without a reading', () => {
		const bound: TestResult = {
			kind: 'bound',
			parameter: 'alkalinity',
			unit: 'dkh',
			sense: '>',
			limit: 12
		};
		expect(kitFinding('alkalinity', [standard(8, 0.1, bound)])).toMatchObject({
			fault: { code: 'standard-beyond-kit' }
		});
		expect(kitFinding('alkalinity', [])).toMatchObject({ fault: { code: 'no-check-reading' } });
		expect(kitFinding('alkalinity', [standard(8, 0.1)])).toMatchObject({ ok: false });
		expect(() => standardCheck([8], { value: 8, u: 0 }, 0)).toThrow(RangeError);
	});
	it('is moved, not scaled, where a zero is off', () => {
		const ph = { ...read(8.3), parameter: 'ph', unit: 'ph' } as TestResult;
		const found = kitFinding('ph', [standard(8.1, 0.02, ph)]);
		expect(found).toMatchObject({ value: { correction: { kind: 'offset' } } });
	});
	it('does not average colour steps down, and is in order where the step holds the standard', () => {
		const step: TestResult = {
			kind: 'interval',
			parameter: 'nitrate',
			unit: 'mg-per-l-no3',
			lower: 8,
			upper: 15,
			best: 11,
			uRandom: 2,
			uCommon: 0.1
		};
		const found = kitFinding('nitrate', [standard(14.9, 0.1, step, step, step)]);
		expect(found).toMatchObject({ value: { state: 'in-order', standards: [{ uMean: 2, readings: 3 }] } });
	});
});
