import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	CA_SYRINGE,
	K_FILTER,
	K_QUICK,
	MG_SYRINGE,
	PH_CARD_LOW,
	SHIPPED_METHODS,
	type Method
} from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { CALM_READER, readBy } from '../tank/index.ts';
import { simulate, standardUncertaintyOf } from '../uncertainty/index.ts';
import { boundsOf, derive, formOf, pointOf, type RawReading } from './index.ts';

const outcomeOf = (method: Method, reading: RawReading) => {
	const derived = derive(method, reading);
	if (!derived.ok) throw new Error(JSON.stringify(derived));
	return derived.value.outcomes[0];
};

describe('the stated interval', () => {
	const kits = [ALK_SYRINGE, ALK_DROPS, CA_SYRINGE, CA_DROPS, MG_SYRINGE, K_FILTER, K_QUICK, CA_MG_PAIR];
	const levels = { alkalinity: 8, calcium: 430, magnesium: 1320, potassium: 395 };
	it.each(kits.map((m) => [m.code, m] as const))(
		'holds the truth as often as it says, over simulated titrations: %s',
		(_code, method) => {
			const random = seededRandom(20_11);
			const runs = 2000;
			let held = 0;
			for (let i = 0; i < runs; i++) {
				const scale = 0.9 + 0.2 * random();
				const truth = Object.fromEntries(Object.entries(levels).map(([k, v]) => [k, v * scale]));
				// Titrant and sample, and for drops their size, each evenly within its tolerance.
				const drop = method.titration.meter.kind === 'drops' ? (random() - 0.5) * 0.06 : 0;
				const kitBias = (random() - 0.5) * 0.02 + (random() - 0.5) * 0.02 + drop;
				const endPointSdDrops = method.titration.meter.kind === 'drops' ? 0.5 : 1;
				const reading = readBy(random, method, truth, { endPointSdDrops, kitBias, colourSdSteps: 0 });
				const { lower, upper } = boundsOf(outcomeOf(method, reading).result);
				const held1 = truth[method.titration.parameter]!;
				if (lower <= held1 && held1 <= upper!) held++;
			}
			// k = 2 claims 95.4 %; the binomial standard error over 2000 runs is 0.5 %.
			expect(held / runs).toBeGreaterThan(0.935);
			// The simulated precipitant is exact, the budget allows for one that is not.
			expect(held / runs).toBeLessThan(method.titration.worth.by === 'excess' ? 1 : 0.985);
		}
	);
	it('of a display is as wide as its even spread, not wider', () => {
		const method = SHIPPED_METHODS.find((m) => m.kind === 'display' && m.parameter === 'phosphate')!;
		const { result, model } = outcomeOf(
			method,
			readBy(seededRandom(3), method, { phosphate: 0.2 }, CALM_READER)
		);
		const simulated = simulate(model!, 5, 60_000);
		const { lower, upper } = boundsOf(result);
		expect((upper! - lower) / (simulated.upper - simulated.lower)).toBeGreaterThan(0.97);
		expect((upper! - lower) / (simulated.upper - simulated.lower)).toBeLessThan(1.03);
	});
	it('agrees with a simulation of the same inputs, for every kit', () => {
		const random = seededRandom(7);
		const water = {
			...levels,
			nitrate: 9,
			phosphate: 0.09,
			ammonia: 0.4,
			nitrite: 0.4,
			ph: 8.1,
			salinity: 34.6,
			temperature: 25,
			hardness: 9
		};
		for (const method of SHIPPED_METHODS) {
			if (method.kind === 'stated') continue;
			const reading = readBy(
				random,
				method,
				method === PH_CARD_LOW ? { ...water, ph: 6.2 } : water,
				CALM_READER
			);
			expect(reading.form).toBe(formOf(method));
			for (const { result, model } of derive(method, reading).ok ? [outcomeOf(method, reading)] : []) {
				if (result.kind === 'bound' || !model) continue;
				const simulated = simulate(model, 11, 40_000);
				const u = standardUncertaintyOf(result);
				expect(simulated.sd / u, method.code).toBeGreaterThan(0.96);
				expect(simulated.sd / u, method.code).toBeLessThan(1.04);
				const { value } = pointOf(result)!;
				expect(Math.abs(simulated.mean - value) / u, method.code).toBeLessThan(0.35);
			}
		}
	});
});
