import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	K_FILTER,
	NO3_CARD,
	PO4_METER,
	SHIPPED_METHODS,
	type DisplayMethod
} from '../../method/index.ts';
import { derive, usualExpandedU } from '../index.ts';

describe('the uncertainty that a number in a paper book would have had', () => {
	it('is the one of the very reading where that is on a mark', () => {
		const fills = [{ startMl: 1, end: { lowerMl: 0.5, upperMl: 0.5 } }];
		const derived = derive(ALK_SYRINGE, {
			form: 'syringe',
			portion: 'full',
			readAs: 'left',
			fills,
			sure: true
		});
		const result = derived.ok ? derived.value.outcomes[0].result : null;
		if (result?.kind !== 'value') throw new Error('half a syringe tells a value');
		const u = Math.hypot(result.uRandom, result.uCommon);
		expect(usualExpandedU(ALK_SYRINGE, result.value)).toBeCloseTo(2 * u, 9);
	});

	it('is coarser by drops than by a syringe, and grows from step to step of a card', () => {
		expect(usualExpandedU(ALK_DROPS, 8)!).toBeGreaterThan(usualExpandedU(ALK_SYRINGE, 8)!);
		expect(usualExpandedU(NO3_CARD, 20)!).toBeGreaterThan(usualExpandedU(NO3_CARD, 5)!);
		expect(usualExpandedU(PO4_METER, 0.05)).toBeGreaterThan(0);
	});

	it('is known of a display that goes in steps of five', () => {
		const coarse: DisplayMethod = {
			...PO4_METER,
			parameter: 'calcium',
			unit: 'mg-per-l',
			resolution: 5,
			range: { low: 0, high: 700 }
		};
		expect(usualExpandedU(coarse, 423)!).toBeGreaterThan(usualExpandedU(PO4_METER, 0.05)!);
	});

	it('is not known beyond the kit, and of none that takes two readings', () => {
		expect(usualExpandedU(NO3_CARD, 900)).toBeNull();
		expect(usualExpandedU(ALK_SYRINGE, 900)).toBeNull();
		expect(usualExpandedU(K_FILTER, 400)).toBeNull();
	});

	it('is a number above nought wherever it is known, of every shipped kit', () => {
		for (const method of SHIPPED_METHODS) {
			for (const value of [0.05, 1, 8, 40, 400, 1300]) {
				const u = usualExpandedU(method, value);
				if (u !== null) expect(u, `${method.code} ${value}`).toBeGreaterThan(0);
			}
		}
	});
});
