import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS, PARAMETERS, UNITS } from '../quantity/index.ts';
import { fromIso } from '../time/index.ts';
import { guessRole, reportRows } from './index.ts';
import { parameterNamed, unitNamed } from './report-table.ts';

const drawnAt = fromIso('2026-11-20T12:00:00Z');
const ZONE = 'Europe/Lisbon';
const read = (head: string[], ...lines: string[][]) => reportRows(lines, head.map(guessRole), drawnAt, ZONE);

describe('a laboratory’s table', () => {
	it('is read line by line, with units, bounds, commas and dates', () => {
		const { rows, faults } = read(
			['Analyte', 'Result', 'Unit', 'U (k=2)', 'Sampled'],
			['Calcium', '412', 'mg/L', '8', '2026-11-18'],
			['Alkalinity', '2,94', 'meq/L', '± 0.05', '18.11.2026 09:30'],
			['PO4', '< 0.02', 'mg/L PO₄', '', ''],
			['', '', '', '', '']
		);
		expect(faults).toEqual([]);
		expect(rows).toMatchObject([
			{ parameter: 'calcium', unit: 'mg-per-l', kind: 'value', value: 412, expandedU: 8 },
			{ parameter: 'alkalinity', unit: 'meq-per-l', value: 2.94, expandedU: 0.05 },
			{ parameter: 'phosphate', unit: 'mg-per-l-po4', kind: '<', value: 0.02, expandedU: null, drawnAt }
		]);
		expect(rows[0]!.drawnAt).toBe(fromIso('2026-11-18T12:00:00Z'));
		expect(rows[1]!.drawnAt).toBe(fromIso('2026-11-18T09:30:00Z'));
	});
	it('is read column by column', () => {
		const { rows } = read(
			['Date', 'Ca (mg/L)', 'KH [meq/L]', 'Remark'],
			['2026-11-18', '420', '2.9', 'fine'],
			['2026-11-19', '', '3.0', '']
		);
		expect(rows.map((r) => [r.parameter, r.unit, r.value])).toEqual([
			['calcium', 'mg-per-l', 420],
			['alkalinity', 'meq-per-l', 2.9],
			['alkalinity', 'meq-per-l', 3]
		]);
	});
	it('tells what it cannot take, and guesses nothing', () => {
		const { rows, faults } = read(
			['parameter', 'value', 'unit', '±', 'date'],
			['Moonlight', '4', 'mg/L', '', ''],
			['Calcium', 'lots', 'mg/L', '', ''],
			['Calcium', '420', 'stone', '', ''],
			['Calcium', '420', 'mg/L', 'wide', ''],
			// The fourth of March, or the third of April?
			['Calcium', '420', 'mg/L', '', '03/04/2026']
		);
		expect(rows).toEqual([]);
		expect(faults.map((f) => [f.line, f.why])).toEqual([
			[1, 'no-parameter'],
			[2, 'no-value'],
			[3, 'no-unit'],
			[4, 'bad-uncertainty'],
			[5, 'no-date']
		]);
	});
	it('knows every parameter by its name and symbol, and every unit by its own', () => {
		for (const id of PARAMETER_IDS) {
			const { name, symbol, units } = PARAMETERS[id];
			expect(parameterNamed(name)).toBe(id);
			if (id !== 'ammonia') expect(parameterNamed(symbol), symbol).toBe(id);
			for (const unit of units) {
				if (unit !== 'ph') expect(unitNamed(id, UNITS[unit].symbol), unit).toBe(unit);
			}
		}
	});
	it('never falls over, whatever is in it', () => {
		const cell = fc.oneof(fc.string(), fc.constantFrom('Calcium', '412', '<', '> 5', 'mg/L', '2026-13-45'));
		fc.assert(
			fc.property(
				fc.array(cell, { minLength: 1, maxLength: 5 }),
				fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 5 }),
				(head, lines) => {
					const { rows } = read(head, ...lines);
					for (const row of rows) expect(Number.isFinite(row.value)).toBe(true);
				}
			)
		);
	});
});
