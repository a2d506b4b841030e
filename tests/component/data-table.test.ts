import { fireEvent, render } from '@testing-library/svelte';
import { createRawSnippet, flushSync, tick, type Component } from 'svelte';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DataTableState, type Column } from '$lib/ui/kit/data-table.svelte';
import DataTable from '$lib/ui/kit/DataTable.svelte';
import { press, type } from './hand';

interface Row {
	readonly id: string;
	readonly name: string;
	readonly value: number | null;
}
const ROWS: readonly Row[] = [
	{ id: 'a', name: 'Batch 10', value: 8.1 },
	{ id: 'b', name: 'Batch 9', value: null },
	{ id: 'c', name: 'Calcium', value: 412 },
	{ id: 'd', name: 'alkalinity', value: 7.9 }
];
const COLUMNS: readonly Column<Row>[] = [
	{ id: 'name', name: 'What', by: (r) => r.name },
	{ id: 'value', name: 'Value', by: (r) => r.value, figures: true },
	{ id: 'id', name: 'Mark', optional: 'hidden' }
];
const cell = createRawSnippet((row: () => Row, column: () => string) => ({
	render: () => `<span>${String(row()[column() as keyof Row] ?? '–')}</span>`
}));
const table = (rows: readonly Row[] = ROWS) =>
	render(DataTable as unknown as Component<Record<string, unknown>>, {
		label: 'Readings',
		rows,
		columns: COLUMNS,
		key: (r: Row) => r.id,
		words: (r: Row) => `${r.name} ${r.value ?? ''}`,
		cell,
		group: (r: Row) => (r.name.startsWith('Batch') ? 'Batches' : 'Water')
	});
const names = (container: Element) =>
	[...container.querySelectorAll('tr[data-index] td:first-child')].map((td) => td.textContent.trim());

describe('a table', () => {
	it('sorts as a person would, the other way, and back as it came; nothing comes last either way', async () => {
		const { container, getByRole } = table();
		await tick();
		expect(names(container)).toEqual(['Batch 10', 'Batch 9', 'Calcium', 'alkalinity']);
		const what = getByRole('button', { name: 'What' });
		await fireEvent.click(what);
		expect(names(container)).toEqual(['alkalinity', 'Batch 9', 'Batch 10', 'Calcium']);
		expect(what.closest('th')?.getAttribute('aria-sort')).toBe('ascending');
		await fireEvent.click(what);
		expect(names(container)).toEqual(['Calcium', 'Batch 10', 'Batch 9', 'alkalinity']);
		await fireEvent.click(what);
		expect(names(container)).toEqual(['Batch 10', 'Batch 9', 'Calcium', 'alkalinity']);
		const value = getByRole('button', { name: 'Value' });
		await fireEvent.click(value);
		expect(names(container).at(-1)).toBe('Batch 9');
		await fireEvent.click(value);
		expect(names(container)).toEqual(['Calcium', 'Batch 10', 'alkalinity', 'Batch 9']);
	});
	it('has its headings while its rows stand as they came', async () => {
		const { container, getByRole } = table();
		await tick();
		const heads = () => [...container.querySelectorAll('th[scope=rowgroup]')].map((th) => th.textContent);
		expect(heads()).toEqual(['Batches', 'Water']);
		await fireEvent.click(getByRole('button', { name: 'Value' }));
		expect(heads()).toEqual([]);
	});
	it('is searched by several words, and says how many hold them', async () => {
		const { container, getByLabelText } = table();
		await tick();
		await type(getByLabelText('Search: Readings'), '  batch 8.1');
		expect(names(container)).toEqual(['Batch 10']);
		expect(container.querySelector('[role=status]')?.textContent).toContain('1 of 4');
		await type(getByLabelText('Search: Readings'), 'potassium');
		expect(container.textContent).toContain('Nothing in it holds all of these words.');
	});
	it('shows the columns that are asked for', async () => {
		const { container, getByLabelText } = table();
		await tick();
		const heads = () => [...container.querySelectorAll('thead th')].map((th) => th.textContent.trim());
		expect(heads()).toEqual(['What', 'Value']);
		await fireEvent.click(getByLabelText('Mark'));
		expect(heads()).toEqual(['What', 'Value', 'Mark']);
	});
	it('is walked with the keyboard, one stop of the Tab key long', async () => {
		const { container } = table();
		await tick();
		const rows = () => [...container.querySelectorAll<HTMLElement>('tr[data-index]')];
		expect(rows().map((r) => r.tabIndex)).toEqual([0, -1, -1, -1]);
		rows()[0]!.focus();
		await press('ArrowDown', rows()[0]);
		expect(document.activeElement).toBe(rows()[1]);
		await press('End', rows()[1]);
		expect(document.activeElement).toBe(rows()[3]);
		await press('ArrowDown', rows()[3]);
		expect(document.activeElement).toBe(rows()[3]);
	});
	it('of thousands of rows draws those in view', async () => {
		const many = Array.from({ length: 5000 }, (_, i) => ({ id: String(i), name: `Row ${i}`, value: i }));
		const { container } = table(many);
		await tick();
		expect(container.querySelectorAll('tr[data-index]').length).toBeLessThan(200);
		expect(container.querySelector('table')?.getAttribute('aria-rowcount')).toBe('5001');
	});
});

describe('what is seen of a table', () => {
	it('is the same rows in whichever order, and never another', () => {
		fc.assert(
			fc.property(
				fc.uniqueArray(
					fc.record({
						id: fc.uuid(),
						name: fc.string(),
						value: fc.option(fc.double({ noNaN: true, min: -1e6, max: 1e6 }))
					}),
					{ selector: (r) => r.id, maxLength: 40 }
				),
				fc.constantFrom('name', 'value'),
				(rows, column) => {
					const state = new DataTableState<Row>(() => ({ rows, columns: COLUMNS, words: (r) => r.name }));
					const ids = (all: readonly Row[]) => all.map((r) => r.id).sort();
					for (let presses = 0; presses < 3; presses++) {
						state.sort(column);
						flushSync();
						expect(ids(state.rows)).toEqual(ids(rows));
					}
					expect(state.rows.map((r) => r.id)).toEqual(rows.map((r) => r.id));
					state.sort('value');
					const values = state.rows.flatMap((r) => r.value ?? []);
					expect(values).toEqual([...values].sort((a, b) => a - b));
				}
			)
		);
	});
});
