import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_MG_PAIR,
	HARDNESS_DROPS,
	NO3_CARD,
	PO4_METER,
	SALINITY_FLOAT,
	SALINITY_GLASS,
	SALINITY_METER,
	SHIPPED_METHODS,
	statedMethodFor,
	THERMOMETER,
	type Method
} from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import type { DropReading, RawReading, StepReading, SyringeReading } from '$lib/core/reading';
import { CALM_READER, readBy } from '$lib/core/tank';
import { placeWords, readingWords } from './reading.ts';

const fill = (ml: number, upper = ml) => ({ startMl: 1, end: { lowerMl: ml, upperMl: upper } });
const syringe = (change: Partial<SyringeReading> = {}): SyringeReading => ({
	form: 'syringe',
	portion: 'full',
	readAs: 'left',
	fills: [fill(0.41)],
	sure: true,
	...change
});
const drops = (least: number, most = least, change: Partial<DropReading> = {}): DropReading => ({
	form: 'drops',
	portion: 'full',
	least,
	most,
	bad: 0,
	...change
});
const step = (at: StepReading['at'], change: Partial<StepReading> = {}): StepReading => ({
	form: 'step',
	portion: 'full',
	at,
	between: 'interpolate',
	blank: false,
	...change
});
const line = (lower: number, upper = lower, temperatureC: number | null = null): RawReading => ({
	form: 'line',
	portion: 'full',
	lower,
	upper,
	temperatureC
});
const display = (shown: number | 'over', temperatureC: number | null = null): RawReading => ({
	form: 'display',
	portion: 'full',
	shown,
	temperatureC
});
const thinned = { sampleMl: 2, diluentMl: 8, diluentHolds: 0 };

describe('a raw reading in words, as it was made', () => {
	it.each<[string, Method, RawReading]>([
		['0.41 mL left', ALK_SYRINGE, syringe()],
		['0.59 mL used', ALK_SYRINGE, syringe({ readAs: 'used', fills: [fill(0.59)] })],
		['0.41 to 0.415 mL left', ALK_SYRINGE, syringe({ fills: [fill(0.41, 0.415)] })],
		['0.00 + 0.70 mL left, 2 fillings', ALK_SYRINGE, syringe({ fills: [fill(0), fill(0.7)] })],
		['0.41 mL left, not sure, half sample', ALK_SYRINGE, syringe({ sure: false, portion: 'half' })],
		['1 drop', ALK_DROPS, drops(1)],
		['0.41 mL left, watched again: 0.03 mL more', ALK_SYRINGE, syringe({ addedAfter: 0.03 })],
		['21 drops, watched again: it stood', ALK_DROPS, drops(21, 21, { addedAfter: 0 })],
		['21 drops, watched again: 1 drop more', ALK_DROPS, drops(21, 21, { addedAfter: 1 })],
		['21 to 23 drops, 2 of them bad', ALK_DROPS, drops(21, 23, { bad: 2 })],
		['21 drops, stopped at first hint of it', ALK_DROPS, drops(21, 21, { endPoint: 'first-hint' })],
		['21 drops', ALK_DROPS, drops(21, 21, { endPoint: 'full' })],
		[
			'0.83 mL used, then 0.86 mL used',
			CA_MG_PAIR,
			{
				form: 'pair',
				portion: 'full',
				first: { readAs: 'used', fills: [fill(0.83)], sure: true },
				second: { readAs: 'used', fills: [fill(0.86)], sure: true }
			}
		],
		[
			'26 drops, less 430 mg/L calcium',
			HARDNESS_DROPS,
			{
				...drops(26),
				form: 'difference',
				subtract: { value: 430.4, uRandom: 6, uCommon: 4, runId: null }
			}
		],
		['on 8', NO3_CARD, step({ kind: 'on', index: 2 })],
		['on 8, thinned 1:5', NO3_CARD, step({ kind: 'on', index: 2 }, { dilution: thinned })],
		[
			'between 3 and 8; second reader on 8',
			NO3_CARD,
			step({ kind: 'between', index: 1 }, { second: { kind: 'on', index: 2 } })
		],
		[
			'on 8, the colour came late, cloudy, dim light, coloured background',
			NO3_CARD,
			step({ kind: 'on', index: 2 }, { course: 'late', cloudy: true, light: 'dim', background: 'coloured' })
		],
		['31 µg/L P', PO4_METER, display(31)],
		['35.1 PSU at 24.5 °C', SALINITY_METER, display(35.1, 24.5)],
		['“over”', PO4_METER, display('over')],
		['1.026 to 1.027', SALINITY_GLASS, line(1.026, 1.027)],
		['1.026 at 23.5 °C', SALINITY_FLOAT, line(1.026, 1.026, 23.5)],
		['25.1 °C', THERMOMETER, line(25.1)]
	])('%s', (words, method, reading) => expect(readingWords(method, reading)).toBe(words));

	it.each([
		['20 ± 2 µg/L P, from harbour laboratory', { kind: 'value', value: 20, expandedU: 2, k: 2 }],
		['20 µg/L P, from harbour laboratory', { kind: 'value', value: 20, expandedU: null, k: 2 }],
		['5 to 9 µg/L P, from harbour laboratory', { kind: 'interval', lower: 5, upper: 9 }],
		['< 5 µg/L P, from harbour laboratory', { kind: 'bound', sense: '<', limit: 5 }]
	] as const)('%s', (words, says) => {
		const reading: RawReading = {
			form: 'stated',
			portion: 'full',
			unit: 'ug-per-l-p',
			says,
			source: 'harbour laboratory'
		};
		expect(readingWords(statedMethodFor('phosphate'), reading)).toBe(words);
	});

	it('names every place on a row of steps differently', () => {
		const places: StepReading['at'][] = [{ kind: 'below' }, { kind: 'above' }];
		NO3_CARD.colourSteps.forEach((_, index) => {
			places.push({ kind: 'on', index });
			if (index + 1 < NO3_CARD.colourSteps.length) {
				for (const kind of ['between', 'nearer_lower', 'nearer_upper'] as const) places.push({ kind, index });
			}
		});
		const words = places.map((at) => placeWords(NO3_CARD, at));
		expect(new Set(words).size).toBe(places.length);
		expect(words).toContain('between 3 and 8, nearer 8');
		expect(words).toContain(`beyond the highest step, ${NO3_CARD.colourSteps.at(-1)!.value}`);
	});

	it('never says a number that is none, for any shipped kit', () => {
		const random = seededRandom(3);
		const water = {
			alkalinity: 8,
			calcium: 430,
			magnesium: 1320,
			potassium: 395,
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
			const words = readingWords(method, readBy(random, method, water, CALM_READER));
			expect(words, method.code).toMatch(/\d|beyond/);
			expect(words, method.code).not.toMatch(/NaN|undefined|null|Infinity/);
		}
	});
});
