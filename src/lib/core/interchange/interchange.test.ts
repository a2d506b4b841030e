import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instant } from '../time/index.ts';
import { LOG_COLUMNS, logRow, quoteFormula, unquoteFormula, type LogRecord } from './index.ts';

const record: LogRecord = {
	id: '1',
	at: instant(1_700_000_000_000),
	offsetMinutes: 60,
	water: 'Lobby reef',
	entry: 'test',
	by: 'Keeper',
	note: '',
	state: 'current',
	test: {
		method: 'alk-syringe@1',
		rawReading: '{}',
		result: { kind: 'value', parameter: 'alkalinity', unit: 'dkh', value: 8, uRandom: 0.3, uCommon: 0.4 }
	}
};

describe('a row of the log file', () => {
	it('has every column, in full precision', () => {
		const row = logRow(record);
		expect(Object.keys(row)).toEqual([...LOG_COLUMNS]);
		expect(row).toMatchObject({ value: 8, standard_uncertainty: 0.5, lower_95: 7, upper_95: 9, unit: 'dKH' });
	});
	it('gives a bound its one end only', () => {
		const bound = { kind: 'bound', parameter: 'alkalinity', unit: 'dkh', sense: '>', limit: 14 } as const;
		const row = logRow({ ...record, test: { ...record.test!, result: bound } });
		expect(row).toMatchObject({ kind: 'bound', value: '', lower_95: 14, upper_95: '' });
	});
	it('leaves the result of an event empty', () => {
		expect(logRow({ ...record, entry: 'note', note: 'x', test: null })).toMatchObject({
			value: '',
			method: ''
		});
	});
});

describe('a cell that looks like a formula', () => {
	it('is quoted, and comes back as it was, whatever it was', () => {
		expect(quoteFormula('=1+1')).toBe("'=1+1");
		expect(quoteFormula('plain')).toBe('plain');
		fc.assert(
			fc.property(fc.string(), (text) => {
				expect(unquoteFormula(quoteFormula(text))).toBe(text);
				expect(quoteFormula(text)).not.toMatch(/^[=+\-@\t\r]/);
			})
		);
	});
});
