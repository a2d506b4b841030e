import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dilutedStock, dilutionSeries, keepsDays, massFor, SALT_IDS, SALTS, weighed } from './index.ts';

describe('a weighed standard', () => {
	it('holds what its formula says: 1.6306 g of potassium nitrate in a litre is 1 g/L of nitrate', () => {
		const made = weighed('potassium-nitrate', { value: 1.6306, u: 0.005 }, { value: 1000, u: 1 });
		expect(made).toMatchObject({ ok: true, value: [{ parameter: 'nitrate' }, { parameter: 'potassium' }] });
		if (!made.ok) return;
		expect(made.value[0]!.value).toBeCloseTo(1000, 1);
		expect(made.value[1]!.value).toBeCloseTo(630.6, 1);
		expect(made.value[0]!.u / made.value[0]!.value).toBeCloseTo(Math.hypot(0.005 / 1.6306, 0.001, 0.003), 9);
	});
	it('of 84 mg/L of sodium hydrogencarbonate is one milliequivalent, 2.80 dKH', () => {
		const made = weighed('sodium-hydrogencarbonate', { value: 0.084007, u: 0 }, { value: 1000, u: 0 });
		expect(made.ok && made.value[0]!.value).toBeCloseTo(2.804, 3);
	});
	it('needs the mass that gives it back', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...SALT_IDS),
				fc.double({ min: 1, max: 2000, noNaN: true }),
				fc.double({ min: 50, max: 2000, noNaN: true }),
				(salt, value, volumeMl) => {
					const { parameter } = SALTS[salt].gives[0];
					const mass = massFor(salt, parameter, value, volumeMl);
					if (!mass.ok) throw new Error(mass.fault.code);
					const made = weighed(salt, { value: mass.value, u: 0 }, { value: volumeMl, u: 0 });
					expect(made.ok && made.value[0]!.value).toBeCloseTo(value, 6);
				}
			)
		);
	});
	it('is refused of nothing, in nothing, and for what the salt does not give', () => {
		expect(weighed('potassium-chloride', { value: 0, u: 0 }, { value: 100, u: 1 }).ok).toBe(false);
		expect(weighed('potassium-chloride', { value: 1, u: 0 }, { value: 0, u: 1 }).ok).toBe(false);
		expect(massFor('potassium-chloride', 'calcium', 400, 1000).ok).toBe(false);
	});
});

describe('a diluted standard', () => {
	const stock = [{ parameter: 'nitrate', value: 1000, u: 5 }] as const;
	it('is as much weaker as there is more of it, and less sure', () => {
		const made = dilutedStock(stock, { value: 5, u: 0.05 }, { value: 500, u: 1 });
		expect(made.ok && made.value[0]!.value).toBeCloseTo(10, 12);
		expect(made.ok && made.value[0]!.u).toBeCloseTo(10 * Math.hypot(0.005, 0.01, 0.002), 12);
		expect(dilutedStock(stock, { value: 5, u: 0 }, { value: 5, u: 0 })).toMatchObject({
			fault: { code: 'dilution-impossible' }
		});
	});
	it('comes in a series whose every step makes up the same volume', () => {
		const series = dilutionSeries(100, [0, 5, 20], 50);
		expect(series).toEqual({
			ok: true,
			value: [
				{ wanted: 0, takeMl: 0, fillMl: 50 },
				{ wanted: 5, takeMl: 2.5, fillMl: 47.5 },
				{ wanted: 20, takeMl: 10, fillMl: 40 }
			]
		});
	});
	it('says where a volume is too small to measure, or the stock too weak', () => {
		expect(dilutionSeries(1000, [0.1], 50)).toMatchObject({ fault: { code: 'volume-too-small' } });
		expect(dilutionSeries(10, [20], 50)).toMatchObject({ fault: { code: 'weaker-than-wanted' } });
		expect(dilutionSeries(10, [-1], 50)).toMatchObject({ ok: false });
	});
	it('keeps as long as what spoils first', () => {
		expect(keepsDays([{ parameter: 'potassium' }, { parameter: 'nitrite' }])).toBe(7);
		expect(keepsDays([{ parameter: 'calcium' }])).toBe(180);
	});
});
