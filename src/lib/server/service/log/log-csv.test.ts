import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { LOG_COLUMNS, unquoteFormula } from '$lib/core/interchange';
import { ALK_SYRINGE } from '$lib/core/method';
import { instant } from '$lib/core/time';
import { LOG_HEADER, logLines } from './log-csv.ts';
import type { LogEntry } from './read-log.ts';

const start = instant(1_700_000_000_000);

describe('the log as a file', () => {
	const reading = (note: string, by: string): LogEntry => ({
		type: 'reading',
		photographs: [],
		voiceNotes: 0,
		readingId: 'reading',
		runId: 'run',
		waterId: 'w',
		water: 'Lobby "reef", left',
		at: start,
		offsetMinutes: 60,
		by,
		readerId: 'member',
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
			id: '1',
			waterId: 'w',
			kind: 'dose',
			details: { supplement: 'A', amountMl: 5, strength: [] },
			note: '',
			happenedAt: start,
			offsetMinutes: 0,
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
