import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE } from '$lib/core/method';
import { LOG_COLUMNS, unquoteFormula } from '$lib/core/interchange';
import { addDays, instant } from '$lib/core/time';
import type { StoredEvent } from '../repository/event';
import type { DatedBand } from '../repository/water';
import { isFuture } from '$lib/core/time';
import { LOG_HEADER, logLines } from './log-csv';
import { contentHash } from './once';
import type { LogEntry } from './read-log';
import { balanceEvents } from './water-events';
import { bandAt, historyOf, plainBand } from './water-history';

const start = instant(1_700_000_000_000);
const event = (kind: StoredEvent['kind'], details: object, day = 0): StoredEvent => ({
	id: '1',
	waterId: 'w',
	kind,
	details: details,
	note: '',
	happenedAt: addDays(start, day),
	offsetMinutes: 0
});

describe('the content of a command', () => {
	it('has one digest, whatever the order of its fields', () => {
		fc.assert(
			fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (content) => {
				const turned = Object.fromEntries(Object.entries(content).reverse());
				expect(contentHash(turned)).toBe(contentHash(content));
			})
		);
		expect(contentHash({ a: 1, b: undefined })).toBe(contentHash({ a: 1 }));
	});
	it('has another digest when anything in it is other', () => {
		expect(contentHash({ a: [1, 2] })).not.toBe(contentHash({ a: [2, 1] }));
		expect(contentHash({ a: 1 })).not.toBe(contentHash({ a: '1' }));
		expect(contentHash({ a: null })).not.toBe(contentHash({}));
	});
});

describe('a time that is still to come', () => {
	it('has five minutes of grace for a device whose clock is fast', () => {
		expect(isFuture(start + 4 * 60_000, start)).toBe(false);
		expect(isFuture(start + 6 * 60_000, start)).toBe(true);
	});
});

describe('events in the balance', () => {
	it('are those that move a concentration, the others stay in the log', () => {
		const strength = [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }];
		const events = balanceEvents(
			[
				event('dose', { supplement: 'A', amountMl: 5, strength }),
				event('feeding', {}),
				event('death', {}),
				event('recurring-dose', { supplement: 'A', amountMlPerDay: 5, strength }),
				event('recurring-dose-missed', { supplement: 'A', days: 2 }),
				event('water-change', {
					volumeL: 54,
					batch: '',
					newWater: [{ parameter: 'calcium', value: 415, u: 9 }]
				})
			],
			540
		);
		expect(events.map((e) => e.kind)).toEqual([
			'dose',
			'recurring-dose',
			'recurring-dose-missed',
			'water-change'
		]);
		expect(events.at(-1)).toMatchObject({ fraction: 0.1, newWater: { calcium: { value: 415, u: 9 } } });
	});
	it('cannot change more than all of the water', () => {
		expect(
			balanceEvents([event('water-change', { volumeL: 700, batch: '', newWater: [] })], 540)[0]
		).toMatchObject({ fraction: 1 });
	});
	it('are left out where no volume is known', () => {
		const dose = event('dose', { supplement: 'A', amountMl: 5, strength: [] });
		expect(historyOf('alkalinity', [], [], [], start).inputs).toEqual([]);
		expect(
			historyOf('alkalinity', [], balanceEvents([dose], 540), [{ fromAt: start, litres: 540 }], start).inputs
		).toHaveLength(1);
	});
});

describe('the history of a parameter', () => {
	const dated = (result: object) => ({ runId: 'r', at: start, methodCode: 'x', result }) as never;
	it('stands on all its results, bounds too, each with its kit', () => {
		const value = {
			kind: 'value',
			parameter: 'alkalinity',
			unit: 'dkh',
			value: 8,
			uRandom: 0.2,
			uCommon: 0.1
		};
		const bound = { kind: 'bound', parameter: 'alkalinity', unit: 'dkh', sense: '<', limit: 0.2 };
		const { observations } = historyOf(
			'alkalinity',
			[dated(value), dated({ ...value, parameter: 'calcium', value: 430 }), dated(bound)],
			[],
			[],
			start
		);
		expect(observations).toEqual([
			{ id: 'r', at: start, kit: 'x', result: value },
			{ id: 'r', at: start, kit: 'x', result: bound }
		]);
	});
	it('is judged by the band of its time', () => {
		const band = (low: number | null, high: number | null, day: number): DatedBand => ({
			parameter: 'alkalinity',
			low,
			high,
			aim: null,
			source: 'x',
			fromAt: addDays(start, day)
		});
		const targets = [band(null, null, 20), band(8, 9, 10), band(7, 8, 0)];
		expect(bandAt(targets, 'alkalinity', addDays(start, 5))).toMatchObject({ low: 7 });
		expect(bandAt(targets, 'alkalinity', addDays(start, 15))).toMatchObject({ low: 8 });
		expect(bandAt(targets, 'alkalinity', addDays(start, 25))).toBeNull();
		expect(bandAt(targets, 'calcium', addDays(start, 15))).toBeNull();
		expect(bandAt(targets, 'alkalinity', addDays(start, -1))).toBeNull();
		expect(plainBand(null)).toBeNull();
		expect(plainBand(targets[1]!)).toEqual({ low: 8, high: 9, aim: null });
	});
});

describe('the log as a file', () => {
	const reading = (note: string, by: string): LogEntry => ({
		type: 'reading',
		photographs: [],
		readingId: 'reading',
		runId: 'run',
		waterId: 'w',
		water: 'Lobby "reef", left',
		at: start,
		offsetMinutes: 60,
		by,
		method: ALK_SYRINGE,
		derivedBy: { method: ALK_SYRINGE, siteMethodId: null },
		standardId: null,
		kitCheckIds: [],
		sampleId: 'sample',
		reading: { form: 'syringe', portion: 'full', readAs: 'left', fills: [], sure: true },
		results: [
			{
				kind: 'value',
				parameter: 'alkalinity',
				unit: 'dkh',
				value: 8.1663,
				uRandom: 0.3,
				uCommon: 0.4
			}
		],
		note,
		deviations: [],
		replacedBecause: null,
		replaces: null
	});
	const file = (entries: readonly LogEntry[]) => `${LOG_HEADER}\r\n${logLines(entries)}`;
	const parse = (csv: string) =>
		Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;

	it('comes back as it was, whatever people wrote', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme' }), fc.string({ minLength: 1 }), (note, by) => {
				const rows = parse(file([reading(note, by)]));
				expect(rows).toHaveLength(1);
				expect(unquoteFormula(rows[0]!.note!)).toBe(note);
				expect(unquoteFormula(rows[0]!.by!)).toBe(by);
				expect(rows[0]!.water).toBe('Lobby "reef", left');
				expect(Number(rows[0]!.value)).toBe(8.1663);
			})
		);
	});
	it('has no cell that a spreadsheet would run', () => {
		const [row] = parse(file([reading('=HYPERLINK("x")', '@me')]));
		expect(row!.note!.startsWith("'=")).toBe(true);
		expect(row!.by!.startsWith("'@")).toBe(true);
	});
	it('says of an event what it was, and of a struck reading that it is', () => {
		const dose: LogEntry = {
			type: 'event',
			...event('dose', { supplement: 'A', amountMl: 5, strength: [] }),
			at: start,
			water: 'x',
			by: 'y',
			superseded: false
		};
		const struck: LogEntry = {
			...(reading('', 'y') as Extract<LogEntry, { type: 'reading' }>),
			replacedBecause: 'misread'
		};
		const csv = file([dose, struck]);
		expect(csv.split('\r\n')[0]).toBe(LOG_COLUMNS.join(','));
		expect(parse(csv)).toMatchObject([
			{ entry: 'dose', state: 'current', kind: '' },
			{ entry: 'test', state: 'corrected', note: 'misread', method: 'alk-syringe@2' }
		]);
	});
});
