import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judge } from '$lib/core/judgement';
import { ALK_SYRINGE } from '$lib/core/method';
import { derive, type TestResult } from '$lib/core/reading';
import { fromIso, instant } from '$lib/core/time';
import { cautionOf } from './bench/hazard';
import { ago, clockTime, countdown, localField, longDay } from './date';
import { faultText } from './faults/faults';
import { expectationSentence, gradeWords, rateSentence, verdictSentence } from './judgement/verdict';
import { eventWords } from './log/event';
import { readingWords } from './log/reading';
import { fixed, measured, millilitres, percent, plain } from './number';
import { bandInUnit, limitInUnit, resultInUnit } from './quantity';
import { arithmeticWords, budgetWords } from './result/arithmetic';
import { dayTicks } from './trends/ticks';

const ZONE = 'Europe/Lisbon';

describe('numbers', () => {
	it.each([
		[8.131, 0.466, '8.1', '0.5'],
		[430.7, 18.6, '431', '19'],
		[7.53, 0.14, '7.53', '0.14'],
		[1322, 76, '1320', '80'],
		[-0.036, 0.014, '−0.036', '0.014']
	])('%d with U = %d is shown as %s ± %s', (value, u, shown, plusMinus) => {
		expect(measured(value, u)).toEqual({ value: shown, plusMinus });
	});
	it('keep a volume’s marks and a limit’s own digits', () => {
		expect([
			millilitres(0.4),
			millilitres(0.415),
			plain(7.5),
			plain(9),
			plain(0.30000000001),
			fixed(-0.0001, 2)
		]).toEqual(['0.40', '0.415', '7.5', '9', '0.3', '0.00']);
		expect([percent(0.444), percent(0.001), percent(0.9999)]).toEqual(['44 %', 'under 1 %', 'over 99 %']);
	});
});

describe('times', () => {
	const now = fromIso('2026-11-23T18:20:00Z');
	it('are said in the time of the place', () => {
		expect(longDay(now, ZONE)).toBe('Monday 23 November');
		expect(clockTime(fromIso('2026-07-01T18:20:00Z'), ZONE)).toBe('19:20');
		expect(localField(now, ZONE)).toBe('2026-11-23T18:20');
		expect(ago(fromIso('2026-11-22T23:50:00Z'), ZONE, now)).toBe('yesterday');
		expect([ago(now, ZONE, now), ago(fromIso('2026-11-19T09:00:00Z'), ZONE, now)]).toEqual([
			'today',
			'4 days ago'
		]);
		expect([countdown(64_001), countdown(0), countdown(-5)]).toEqual(['1:05', '0:00', '0:00']);
	});
	it('names days and times as the platform does, in every zone', () => {
		const zones = [
			'Europe/Lisbon',
			'Asia/Kolkata',
			'America/St_Johns',
			'Pacific/Apia',
			'Australia/Lord_Howe'
		];
		fc.assert(
			fc.property(
				fc.constantFrom(...zones),
				fc.integer({ min: Date.UTC(1990, 0, 1), max: Date.UTC(2050, 0, 1) }),
				(timeZone, ms) => {
					const at = instant(ms);
					const by = (options: Intl.DateTimeFormatOptions) =>
						new Intl.DateTimeFormat('en-GB', { timeZone, ...options }).format(ms).replace(',', '');
					expect(longDay(at, timeZone)).toBe(by({ weekday: 'long', day: 'numeric', month: 'long' }));
					expect(clockTime(at, timeZone)).toBe(by({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }));
				}
			)
		);
	});
	it('have ticks that fit the span', () => {
		const ticks = (from: string, to: string) => dayTicks(fromIso(from), fromIso(to), ZONE).map((t) => t.text);
		expect(ticks('2026-11-01T12:00:00Z', '2026-11-05T12:00:00Z')).toEqual([
			'2 Nov',
			'3 Nov',
			'4 Nov',
			'5 Nov'
		]);
		expect(ticks('2026-10-01T12:00:00Z', '2026-11-05T12:00:00Z')).toEqual([
			'5 Oct',
			'12 Oct',
			'19 Oct',
			'26 Oct',
			'2 Nov'
		]);
		expect(ticks('2025-10-15T12:00:00Z', '2026-03-05T12:00:00Z')).toEqual([
			'Nov',
			'Dec',
			'Jan 26',
			'Feb',
			'Mar'
		]);
	});
});

describe('results and verdicts', () => {
	const result: TestResult = {
		kind: 'value',
		parameter: 'alkalinity',
		unit: 'dkh',
		value: 7.465,
		uRandom: 0.23,
		uCommon: 0.06
	};
	const band = { low: 7.5, high: 9, aim: 8.2 };
	it('are said in the unit that was chosen', () => {
		expect(resultInUnit(result, 'dkh')).toBe('7.5 ± 0.5 dKH');
		expect(resultInUnit(result, 'meq-per-l')).toBe('2.66 ± 0.17 meq/L');
		expect(
			resultInUnit({ kind: 'bound', parameter: 'alkalinity', unit: 'dkh', sense: '<', limit: 0.21 }, 'dkh')
		).toBe('below 0.21 dKH');
		expect(bandInUnit('alkalinity', band, 'dkh')).toBe('7.5–9');
		expect(bandInUnit('alkalinity', { low: null, high: 9 }, 'meq-per-l')).toBe('below 3.21');
		expect(limitInUnit('calcium', 410, 'mg-per-l')).toBe('410');
	});
	it('say what is known, and what is not', () => {
		const edge = judge(7.465, 0.24, band, { value: 7.6, sd: 0.27 });
		expect(verdictSentence('alkalinity', edge, 'dkh')).toMatch(
			/^At the lower edge of 7\.5–9 dKH: this test cannot tell/
		);
		expect(expectationSentence('alkalinity', edge, 'dkh')).toMatch(/^As expected/);
		const low = judge(6, 0.2, band, { value: 8, sd: 0.3 });
		expect(verdictSentence('alkalinity', low, 'dkh')).toBe('Far below 7.5–9 dKH.');
		expect(expectationSentence('alkalinity', low, 'dkh')).toMatch(/^Surprising.*Test again/);
		expect(verdictSentence('alkalinity', judge(8, 0.2, null, null), 'dkh')).toMatch(/No band/);
		expect(gradeWords('probably-outside', 'high')).toBe('Probably outside, high');
	});
	it('claim a trend only when it is seen', () => {
		const row = { parameter: 'alkalinity', basedOn: 8, leavesInDays: 10.2 } as const;
		expect(rateSentence({ ...row, netChangePerDay: { value: -0.04, u: 0.01 } }, 'dkh')).toBe(
			'Falling 0.04 a day; leaves the band in about 10 days.'
		);
		expect(rateSentence({ ...row, netChangePerDay: { value: 0.01, u: 0.01 } }, 'dkh')).toBe(
			'No change seen.'
		);
		expect(rateSentence({ ...row, basedOn: 1, netChangePerDay: { value: 0, u: 1 } }, 'dkh')).toMatch(
			/no trend yet/
		);
	});
});

describe('the arithmetic', () => {
	it('can be followed line by line, and its budget adds up', () => {
		const derived = derive(ALK_SYRINGE, {
			form: 'syringe',
			portion: 'full',
			readAs: 'left',
			fills: [{ startMl: 1, end: { lowerMl: 0.46, upperMl: 0.46 } }],
			sure: true
		});
		if (!derived.ok) throw new Error();
		expect(
			arithmeticWords(derived.value.outcomes[0].arithmetic, 'alkalinity', 'dkh').map((l) => l.sum)
		).toEqual(['1.00 − 0.46 = 0.54 mL', '− 0.0075 = 0.5325 mL', '× 14.019 dKH per mL = 7.47 dKH']);
		const budget = budgetWords(derived.value.outcomes[0].components, 'alkalinity', 'dkh');
		expect(budget[0]!.name).toBe('judging the end point');
		expect(budget.reduce((sum, row) => sum + row.share, 0)).toBeCloseTo(1, 10);
	});
	it('says a reading as it was made', () => {
		expect(
			readingWords(ALK_SYRINGE, {
				form: 'syringe',
				portion: 'half',
				readAs: 'used',
				sure: false,
				fills: [
					{ startMl: 1, end: { lowerMl: 1, upperMl: 1 } },
					{ startMl: 1, end: { lowerMl: 0.2, upperMl: 0.21 } }
				]
			})
		).toBe('1.00 + 0.20 to 0.21 mL used, 2 fillings, not sure, half sample');
	});
});

describe('cautions', () => {
	it('stand beside every step that handles a reagent', () => {
		const said = ALK_SYRINGE.steps.map((step) => cautionOf(ALK_SYRINGE, step));
		expect(said[0]).toBe('');
		expect(said.at(-1)).toMatch(/^Acid: burns eyes and skin/);
	});
});

describe('faults and events', () => {
	it('are sentences that say what to do', () => {
		expect(faultText({ code: 'beyond-syringe', details: { capacityMl: 1 } })).toMatch(/holds 1 mL/);
		expect(faultText({ code: 'invalid-field', field: 'details.amountMl', details: { rule: 'number' } })).toBe(
			'The amount must be a number, such as 12.5.'
		);
		expect(
			faultText({
				code: 'invalid-field',
				field: 'reason',
				details: { rule: 'letters-at-least', limit: 3 }
			})
		).toBe('The reason needs at least 3 letters.');
		expect(faultText({ code: 'target-reversed', field: 'high', details: { low: 9, high: 7 } })).toMatch(
			/9 is not below 7/
		);
	});
	it('say what went in', () => {
		expect(eventWords('dose', { supplement: 'Part one', amountMl: 27, strength: [] })).toBe(
			'27 mL of Part one'
		);
		expect(eventWords('recurring-dose', { supplement: 'Part one', amountMlPerDay: 0, strength: [] })).toBe(
			'Part one stopped'
		);
		expect(eventWords('water-change', { volumeL: 43, batch: '', newWater: [] })).toBe(
			'43 L; new water not tested'
		);
	});
});
