import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tableDoubts, type ChartPoint } from './index.ts';

/** What was used, and a result of 5.6 for every hundredth, as a leaflet prints it. */
const table = (rows: number, decimals = 0): ChartPoint[] =>
	Array.from({ length: rows }, (_, i) => [
		Number((i * 0.1).toFixed(1)),
		Number((560 - 56.3 * i).toFixed(decimals))
	]);

describe('a typed table', () => {
	it.each([[table(10)], [table(10, 1)], [[...table(10)].reverse()], [table(2)]])(
		'that is right is not doubted',
		(rows) => expect(tableDoubts(rows, 1)).toEqual([])
	);

	it('names the row that turns round', () => {
		const rows = table(8);
		[rows[3], rows[4]] = [rows[4]!, rows[3]!];
		expect(tableDoubts(rows, 1)).toContainEqual({ kind: 'order', row: 4, of: 'reading' });
	});

	it('names a row that was left out', () => {
		const rows = table(10).filter((_, i) => i !== 5);
		expect(tableDoubts(rows, 1)).toEqual([
			{ kind: 'gap', row: 5, step: expect.closeTo(0.2, 9), usual: expect.closeTo(0.1, 9) }
		]);
	});

	it('names two digits that changed places, and where the result should lie', () => {
		const rows = table(10);
		rows[4] = [rows[4]![0], 353];
		expect(tableDoubts(rows, 1)).toEqual([{ kind: 'step', row: 4, expected: expect.closeTo(335, 0) }]);
	});

	it('names the one result that is off, wherever it stands, and no gentle bend', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 6, max: 30 }),
				fc.nat(29),
				fc.double({ min: 0.7, max: 3, noNaN: true }),
				fc.boolean(),
				(length, at, by, up) => {
					const rows: ChartPoint[] = Array.from({ length }, (_, i) => [i, 400 - 10 * i + 0.02 * i * i]);
					expect(tableDoubts(rows, 0.01)).toEqual([]);
					const row = at % length;
					rows[row] = [row, rows[row]![1] + (up ? 10 : -10) * by];
					expect(tableDoubts(rows, 0.01)).toContainEqual(expect.objectContaining({ kind: 'step', row }));
				}
			),
			{ numRuns: 200 }
		);
	});
});
