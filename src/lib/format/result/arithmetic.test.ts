import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_SYRINGE,
	HARDNESS_DROPS,
	K_FILTER,
	NO3_CARD,
	PO4_METER,
	SALINITY_GLASS,
	THERMOMETER,
	type Method
} from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import { derive, pointOf, type RawReading } from '$lib/core/reading';
import { arithmeticWords, budgetWords } from './arithmetic.ts';

const fill = (ml: number, startMl = 1) => ({ startMl, end: { lowerMl: ml, upperMl: ml } });
const syringe = (readAs: 'left' | 'used', ...ml: number[]): RawReading => ({
	form: 'syringe',
	portion: 'full',
	readAs,
	fills: ml.map((m) => fill(m)),
	sure: true
});
const drops = (least: number, most = least, bad = 0): RawReading => ({
	form: 'drops',
	portion: 'full',
	least,
	most,
	bad
});
function told(method: Method, reading: RawReading, unit = PARAMETERS[method.parameter].canonicalUnit) {
	const derived = derive(method, reading);
	if (!derived.ok) throw new Error(JSON.stringify(derived.fault));
	const [{ arithmetic, components, result }] = derived.value.outcomes;
	return {
		lines: arithmeticWords(arithmetic, method.parameter, unit),
		sums: arithmeticWords(arithmetic, method.parameter, unit).map((l) => l.sum),
		budget: budgetWords(components, method.parameter, unit),
		value: pointOf(result)?.value
	};
}
/** The number that stands last in a line. */
const last = (text: string) => Number(/(\d[\d.]*)(?!.*\d)/.exec(text.replace(/ [a-zA-Z/₃₄µ]+.*$/, ''))?.[1]);

describe('the arithmetic in words', () => {
	it('goes from the mark to the value, and every sum is right', () => {
		const { sums, value } = told(ALK_SYRINGE, syringe('left', 0.42));
		expect(sums[0]).toBe('1.00 − 0.42 = 0.58 mL');
		expect(sums[1]).toBe('− 0.0075 = 0.5725 mL');
		const [, perMl, product] = /× ([\d.]+) dKH per mL = ([\d.]+) dKH/.exec(sums[2]!)!;
		expect(Number(product)).toBeCloseTo(0.5725 * Number(perMl), 2);
		expect(Number(product)).toBeCloseTo(value!, 2);
	});
	it('says the same in the unit that the keeper likes', () => {
		const { sums, value } = told(ALK_SYRINGE, syringe('left', 0.42), 'meq-per-l');
		expect(sums[2]).toContain('5 meq/L per mL = ');
		expect(last(sums[2]!.split(' = ')[1]!)).toBeCloseTo(value! / 2.80385, 2);
	});
	it('numbers the fillings and adds them up', () => {
		const { lines } = told(CA_SYRINGE, syringe('left', 0, 0.7));
		expect(lines.map((l) => l.what).slice(0, 3)).toEqual([
			'Filling 1, used',
			'Filling 2, used',
			'Used in all'
		]);
		expect(lines[2]!.sum).toBe('1.30 mL');
	});
	it('counts drops from the middle of their range, and bad ones by half', () => {
		expect(told(ALK_DROPS, drops(21)).sums[0]).toBe('21 drops');
		expect(told(ALK_DROPS, drops(21, 23)).sums[0]).toBe('(21 + 23) / 2 = 22 drops');
		expect(told(ALK_DROPS, drops(21, 21, 2)).sums[0]).toBe('21 drops, less half of each of 2 bad');
		expect(told(ALK_DROPS, drops(21)).sums[1]).toBe('− 0.5 = 20.50 drops');
	});
	it('of a back-titration starts from what could be bound and goes down', () => {
		const { lines, value } = told(K_FILTER, syringe('used', 0.74));
		const worth = lines.at(-1)!;
		expect(worth.what).toContain('could bind, less what was titrated back');
		const [, start, volume, per, end] = /([\d.]+) \+ ([\d.]+) × −([\d.]+) mg\/L per mL = ([\d.]+)/.exec(
			worth.sum
		)!;
		expect(Number(start) - Number(volume) * Number(per)).toBeCloseTo(Number(end), 0);
		expect(Number(end)).toBeCloseTo(value!, 1);
	});
	it('of a difference shows what was taken off and how much of it', () => {
		const subtract = { value: 430, uRandom: 6, uCommon: 4, runId: null };
		const reading: RawReading = {
			form: 'difference',
			portion: 'full',
			least: 26,
			most: 26,
			bad: 0,
			subtract
		};
		const { lines, value } = told(HARDNESS_DROPS, reading);
		expect(lines.at(-1)!.what).toContain('by moles');
		const [, total, weight, off, end] = /([\d.]+) − ([\d.]+) × ([\d.]+) = ([\d.]+)/.exec(lines.at(-1)!.sum)!;
		expect(Number(total) - Number(weight) * Number(off)).toBeCloseTo(Number(end), 0);
		expect(Number(end)).toBeCloseTo(value!, 1);
		const plain = { ...HARDNESS_DROPS, subtract: { parameter: 'calcium', by: 'plain' } } as const;
		expect(told(plain, reading).lines.at(-1)!.what).toContain('milligram for milligram');
	});
	it('of a place, a display, a line and a column is one line', () => {
		const place = (at: { kind: 'on'; index: number } | { kind: 'above' }): RawReading => ({
			form: 'step',
			portion: 'full',
			at,
			between: 'interpolate',
			blank: false
		});
		expect(told(NO3_CARD, place({ kind: 'on', index: 2 })).sums).toEqual(['4.9 to 11 mg/L NO₃']);
		expect(told(NO3_CARD, place({ kind: 'above' })).sums).toEqual(['more than 60 mg/L NO₃']);
		const shown = (x: number | 'over'): RawReading => ({
			form: 'display',
			portion: 'full',
			shown: x,
			temperatureC: null
		});
		expect(told(PO4_METER, shown(31)).sums).toEqual(['31 µg/L P = 0.0951 mg/L PO₄']);
		expect(told(PO4_METER, shown('over')).sums[0]).toMatch(/^over the range, at 0\.61/);
		const line = (lower: number, upper: number): RawReading => ({
			form: 'line',
			portion: 'full',
			lower,
			upper,
			temperatureC: null
		});
		expect(told(SALINITY_GLASS, line(1.026, 1.027)).sums[0]).toMatch(/^1\.0265 = 34\.\d\d PSU$/);
		expect(told(THERMOMETER, line(25.1, 25.2)).lines).toEqual([
			{ what: 'Read between two marks', sum: '25.15 °C' }
		]);
	});
	it('of a thinned sample ends with the dilution', () => {
		const dilution = { sampleMl: 2, diluentMl: 8, diluentHolds: 0 };
		const reading: RawReading = { ...drops(4), portion: 'full', dilution };
		const { lines, value } = told(ALK_DROPS, reading);
		expect(lines.at(-1)!.what).toBe('× the dilution, 1:5');
		const [, before, after] = /([\d.]+) dKH → ([\d.]+) dKH/.exec(lines.at(-1)!.sum)!;
		expect(Number(before) * 5).toBeCloseTo(Number(after), 1);
		expect(Number(after)).toBeCloseTo(value!, 2);
	});
});

describe('the budget in words', () => {
	it('has its largest part first, and shares that make a whole', () => {
		for (const [method, reading] of [
			[ALK_SYRINGE, syringe('left', 0.42)],
			[ALK_DROPS, drops(21, 22, 1)],
			[K_FILTER, syringe('used', 0.74)]
		] as const) {
			const { budget } = told(method, reading);
			const shares = budget.map((row) => row.share);
			expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 10);
			expect(shares).toEqual([...shares].sort((a, b) => b - a));
			expect(budget.some((row) => row.common)).toBe(true);
			expect(new Set(budget.map((row) => row.name)).size).toBe(budget.length);
		}
	});
	it('is told in the keeper’s unit: shares stay, numbers follow', () => {
		const reading = syringe('left', 0.42);
		const dkh = told(ALK_SYRINGE, reading).budget;
		const meq = told(ALK_SYRINGE, reading, 'meq-per-l').budget;
		expect(meq.map((row) => row.share)).toEqual(dkh.map((row) => row.share));
		expect(Number(meq[0]!.expanded)).toBeLessThan(Number(dkh[0]!.expanded));
	});
});
