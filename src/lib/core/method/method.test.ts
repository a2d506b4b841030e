import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_SYRINGE,
	CA_SYRINGE,
	chart,
	lookUp,
	methodByCode,
	resolutionOf,
	resultPerMl,
	SHIPPED_METHODS,
	stepsFor,
	timesOf,
	type ChartPoint
} from './index.ts';
import { convert } from '../quantity/index.ts';

describe('what a millilitre is worth', () => {
	it('follows from the chemistry: 5.00 meq/L, and 534.4 mg/L of calcium', () => {
		expect(convert(resultPerMl(ALK_SYRINGE, 'full'), 'dkh', 'meq-per-l')).toBeCloseTo(5, 10);
		expect(convert(resultPerMl(ALK_SYRINGE, 'half'), 'dkh', 'meq-per-l')).toBeCloseTo(10, 10);
		expect(resultPerMl(CA_SYRINGE, 'full')).toBeCloseTo(534.4, 1);
		expect(resultPerMl(CA_SYRINGE, 'half')).toBeCloseTo(1068.7, 1);
	});
	it('is twice as much per mark with half the sample', () => {
		for (const method of SHIPPED_METHODS) {
			expect(resolutionOf(method, 'half')).toBeCloseTo(2 * resolutionOf(method, 'full'), 10);
		}
	});
});

describe('a shipped method', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))('%s is whole', (code, method) => {
		expect(methodByCode(code)).toBe(method);
		const steps = stepsFor(method, 'half');
		expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
		expect(steps.at(-1)?.action.kind).toBe('titrate');
		expect(steps.map((s) => s.say).join()).not.toContain('{');
		expect(steps.find((s) => s.id === 'draw')?.say).toContain(`${method.sampleMl.half} mL`);
		expect(method.reagents.flatMap((r) => r.hazards).length).toBeGreaterThan(0);
	});
	it('counts swirling as hands and standing as waiting', () => {
		const times = timesOf(stepsFor(CA_SYRINGE, 'full'));
		expect(times.totalS - times.handsS).toBe(20);
	});
	it('is unknown under another code', () => expect(methodByCode('moon')).toBeNull());
});

describe('a leaflet’s table', () => {
	const points: ChartPoint[] = [
		[0, 0],
		[0.5, 7],
		[1, 14]
	];
	const table = (p: readonly ChartPoint[]) => {
		const made = chart(p);
		if (!made.ok) throw new Error(made.fault.code);
		return made.value;
	};
	it('stays within its rows and is monotone where they are', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 1, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(a, b) => {
					const value = (x: number) => {
						const found = lookUp(table(points), x);
						return 'value' in found ? found.value : Number.NaN;
					};
					expect(value(Math.min(a, b))).toBeLessThanOrEqual(value(Math.max(a, b)) + 1e-12);
				}
			)
		);
	});
	it('says a bound beyond its ends, by the slope there', () => {
		expect(lookUp(table(points), 1.1)).toEqual({ flag: 'outside_high', bound: { sense: '>', limit: 14 } });
		expect(
			lookUp(
				table([
					[0, 9],
					[1, 3]
				]),
				-0.1
			)
		).toEqual({ flag: 'outside_low', bound: { sense: '>', limit: 9 } });
	});
	it('refuses one row, and one reading with two results', () => {
		expect(chart([[0, 1]])).toMatchObject({ ok: false, fault: { code: 'chart-too-short' } });
		expect(
			chart([
				[0, 1],
				[0, 2],
				[1, 3]
			])
		).toMatchObject({ ok: false, fault: { code: 'chart-duplicate' } });
	});
});
