import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_METER,
	HARDNESS_DROPS,
	K_FILTER,
	NO2_CARD,
	SALINITY_FLOAT,
	SHIPPED_METHODS,
	statedMethodFor,
	THERMOMETER,
	type Method
} from '$lib/core/method';
import { derive, type RawReading, type TestResult } from '$lib/core/reading';
import { arithmeticWords, budgetWords, halfSampleHelp, sourceHelp } from './result/arithmetic';
import { KIND_NAMES, worthWords } from './methods/method';
import {
	bandInUnit,
	headlineOf,
	limitInUnit,
	ratePerDay,
	resultInUnit,
	symbolAfter,
	widthWords
} from './quantity';
import { readingWords } from './log/reading';
import { boundSentence } from './judgement/verdict';

const nitrate = (best: number | null): TestResult => ({
	kind: 'interval',
	parameter: 'nitrate',
	unit: 'mg-per-l-no3',
	lower: 4.9,
	upper: 10.95,
	best,
	uRandom: 1.7,
	uCommon: 0.05
});
const value = (parameter: 'ph' | 'salinity' | 'temperature', x: number, u: number): TestResult => ({
	kind: 'value',
	parameter,
	unit: parameter === 'ph' ? 'ph' : parameter === 'salinity' ? 'psu' : 'celsius',
	value: x,
	uRandom: u,
	uCommon: 0
});

describe('a result in words', () => {
	it.each<[string, string]>([
		[resultInUnit(nitrate(8), 'mg-per-l-no3'), '8, between 4.9 and 11 mg/L NO₃'],
		[resultInUnit(nitrate(8), 'mg-per-l-no3-n'), '1.8, between 1.1 and 2.5 mg/L NO₃-N'],
		[resultInUnit(nitrate(null), 'mg-per-l-no3'), '4.9 to 11 mg/L NO₃'],
		[resultInUnit(value('ph', 8.1, 0.05), 'ph'), '8.10 ± 0.10'],
		[resultInUnit(value('salinity', 35, 0.4), 'sg-25-25'), '1.0264 ± 0.0006 SG 25/25'],
		[resultInUnit(value('temperature', 25, 0.17), 'fahrenheit'), '77.0 ± 0.6 °F'],
		[widthWords(nitrate(8), 'mg-per-l-no3'), '4.9 to 11'],
		[widthWords(value('salinity', 35, 0.4), 'psu'), '± 0.8'],
		[limitInUnit('salinity', 34, 'sg-25-25'), '1.0256'],
		[bandInUnit('temperature', { low: 24.5, high: 26.5 }, 'fahrenheit'), '76.1–79.7'],
		[symbolAfter('ph'), ''],
		[ratePerDay('temperature', 1, 0.1, 'fahrenheit').value, '1.8']
	])('%s', (said, expected) => expect(said).toBe(expected));
	it('has a large part and a small one', () => {
		expect(headlineOf(nitrate(8), 'mg-per-l-no3')).toEqual({ large: '8', small: '4.9–11 mg/L NO₃' });
		expect(headlineOf(nitrate(null), 'mg-per-l-no3')).toEqual({ large: '4.9–11', small: 'mg/L NO₃' });
		expect(headlineOf(value('salinity', 35, 0.4), 'psu')).toEqual({ large: '35.0', small: '± 0.8 PSU' });
		const bound = {
			kind: 'bound',
			parameter: 'nitrate',
			unit: 'mg-per-l-no3',
			sense: '>',
			limit: 60
		} as const;
		expect(headlineOf(bound, 'mg-per-l-no3')).toEqual({ large: '> 60', small: 'mg/L NO₃' });
		expect(widthWords(bound, 'mg-per-l-no3')).toBe('');
	});
});

describe('a bound against a band', () => {
	const bound = (sense: '<' | '>', limit: number) =>
		boundSentence(
			{ kind: 'bound', parameter: 'nitrate', unit: 'mg-per-l-no3', sense, limit },
			{ low: 2, high: 15 },
			'mg-per-l-no3'
		);
	it('is above, below, or cannot tell, and says what to do next', () => {
		expect(bound('>', 60)).toMatch(/^Above 2–15 mg\/L NO₃\. Thin the sample/);
		expect(bound('<', 1.5)).toMatch(/^Below 2–15/);
		expect(bound('>', 10)).toMatch(/cannot tell/);
		expect(bound('<', 5)).toMatch(/cannot tell/);
		const found = {
			kind: 'bound',
			parameter: 'ammonia',
			unit: 'mg-per-l-nh4',
			sense: '<',
			limit: 0.1
		} as const;
		expect(boundSentence(found, { low: null, high: 0.1 }, 'mg-per-l-nh4')).toMatch(/^Inside/);
		expect(boundSentence(found, null, 'mg-per-l-nh4')).toMatch(/a bound, not a number/);
	});
});

describe('how it was reckoned', () => {
	const lines = (method: Method, reading: RawReading, unit: Parameters<typeof arithmeticWords>[2]) => {
		const derived = derive(method, reading);
		if (!derived.ok) throw new Error(JSON.stringify(derived.fault));
		return arithmeticWords(derived.value.outcomes[0].arithmetic, method.parameter, unit).map((l) => l.sum);
	};
	const drops = { form: 'drops', portion: 'full', least: 21, most: 21, bad: 0 } as const;
	it('drops: counted, half the last one off, the habit, what one is worth', () => {
		expect(lines(ALK_DROPS, drops, 'dkh')).toEqual([
			'21 drops',
			'− 0.5 = 20.50 drops',
			'× 0.40039 dKH per drop = 8.21 dKH'
		]);
		const odd = { ...drops, most: 22, bad: 1, endPoint: 'one-more-counted' } as const;
		expect(lines(ALK_DROPS, odd, 'dkh').slice(0, 3)).toEqual([
			'(21 + 22) / 2 = 21.5 drops, less half of each of 1 bad',
			'− 0.5 = 19.50 drops',
			'− 1 drops'
		]);
	});
	it('a back-titration: what the excess could bind, less what was titrated back', () => {
		const marks = {
			readAs: 'used',
			fills: [{ startMl: 1, end: { lowerMl: 0.74, upperMl: 0.74 } }],
			sure: true
		} as const;
		const [, , last] = lines(K_FILTER, { form: 'syringe', portion: 'full', ...marks }, 'mg-per-l');
		expect(last).toBe('625.6 + 0.7325 × −312.79 mg/L per mL = 396.5 mg/L');
	});
	it('a difference, a display, a float, a thermometer, a thinned card, a laboratory', () => {
		const subtract = { value: 430, uRandom: 6, uCommon: 4, runId: null };
		expect(
			lines(HARDNESS_DROPS, { ...drops, form: 'difference', least: 26, most: 26, subtract }, 'mg-per-l').at(
				-1
			)
		).toBe('1549.4 − 0.6064 × 430.0 = 1288.7 mg/L');
		const display = { form: 'display', portion: 'full', shown: 143, temperatureC: null } as const;
		expect(lines(ALK_METER, display, 'dkh')).toEqual(['143 mg/L CaCO₃ = 8.01 dKH']);
		expect(lines(ALK_METER, { ...display, shown: 'over' }, 'dkh')).toEqual(['over the range, at 16.81 dKH']);
		const line = { form: 'line', portion: 'full', lower: 1.026, upper: 1.027, temperatureC: 25 } as const;
		expect(lines(SALINITY_FLOAT, line, 'psu')).toEqual(['1.0265 = 35.17 PSU']);
		expect(lines(THERMOMETER, { ...line, lower: 25.1, upper: 25.2 }, 'celsius')).toEqual(['25.15 °C']);
		const card = {
			form: 'step',
			portion: 'full',
			at: { kind: 'on', index: 2 },
			between: 'interpolate',
			blank: false,
			dilution: { sampleMl: 1.2, diluentMl: 4.8, diluentHolds: 0 }
		} as const;
		expect(lines(NO2_CARD, card, 'mg-per-l-no2')).toEqual([
			'0.173 to 0.424 mg/L NO₂',
			'0.3000 mg/L NO₂ → 1.50 mg/L NO₂'
		]);
		expect(readingWords(NO2_CARD, card)).toBe('on 0.3, thinned 1:5');
		const stated = {
			form: 'stated',
			portion: 'full',
			unit: 'dkh',
			says: { kind: 'value', value: 8, expandedU: null, k: 2 },
			source: 'notebook'
		} as const;
		expect(lines(statedMethodFor('alkalinity'), stated, 'dkh')).toEqual(['no uncertainty stated; 5 % taken']);
	});
	it('names what would help most, and half a sample when it was one', () => {
		expect(halfSampleHelp('end-point')).toMatch(/^A full sample would halve this/);
		expect(halfSampleHelp('titrant')).toBe(sourceHelp('titrant'));
		const derived = derive(ALK_DROPS, drops);
		if (!derived.ok) throw new Error();
		const rows = budgetWords(derived.value.outcomes[0].components, 'alkalinity', 'dkh');
		expect(rows.map((r) => r.share)).toEqual([...rows.map((r) => r.share)].sort((a, b) => b - a));
	});
});

describe('a method in words', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))(
		'%s says how its reading becomes a value',
		(_c, method) => {
			expect(KIND_NAMES[method.kind]).not.toBe('');
			if (method.kind !== 'stated') expect(worthWords(method).join(' ')).toMatch(/\d/);
		}
	);
});

describe('the ends of a pH interval', () => {
	const ph = (lower: number, upper: number) =>
		resultInUnit(
			{ kind: 'interval', parameter: 'ph', unit: 'ph', lower, upper, best: null, uRandom: 0.1, uCommon: 0 },
			'ph'
		);
	it('are told to the tenth, and to the half of one where they lie there', () => {
		expect(ph(7.9, 8.1)).toBe('7.9 to 8.1');
		// 5.8 + 0.15 is a hair below 5.95 in binary: rounded to tenths the interval would shrink.
		expect(ph(5.8 - 0.15, 5.8 + 0.15)).toBe('5.65 to 5.95');
		expect(ph(8, 8.2)).toBe('8.0 to 8.2');
	});
});
