import { typedNumber } from '$lib/core/numeric';
import { fail, ok, type Result } from '$lib/core/result';
import { MOST_LETTERS } from './method-text';

/** More rows than this are no leaflet's table. */
const MOST_ROWS = 400;

/**
 * Rows of a pasted table: two numbers on a line, parted by spaces, a tab, a semicolon or a bar. A comma between digits
 * is a decimal comma. Lines without numbers (a heading) are left out; a line with one number, or with three, is not.
 */
export function parseTable(text: string): Result<readonly (readonly [number, number])[]> {
	if (text.length > MOST_LETTERS) return fail('too-large', 'table', { most: MOST_LETTERS, unit: 'letters' });
	const rows: [number, number][] = [];
	for (const [i, line] of text.split(/\r?\n/).entries()) {
		const cells = line.match(/[-−]?\d+(?:[.,]\d+)?/g) ?? [];
		if (cells.length === 0) continue;
		if (cells.length !== 2) return fail('table-row', 'table', { row: i + 1, cells: cells.length });
		rows.push([typedNumber(cells[0])!, typedNumber(cells[1]!)!]);
		if (rows.length > MOST_ROWS) return fail('too-large', 'table', { most: MOST_ROWS, unit: 'rows' });
	}
	return rows.length < 2 ? fail('chart-too-short', 'table') : ok(rows);
}

/** Printed values of a table give away its step: the smallest difference that their digits can show. */
export function printedStepOf(values: readonly number[]): number {
	const decimals = Math.max(...values.map((v) => (String(v).split('.')[1] ?? '').length));
	return 10 ** -decimals;
}
