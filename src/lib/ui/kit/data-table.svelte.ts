import {
	columnFilteringFeature,
	columnVisibilityFeature,
	constructTable,
	createColumnHelper,
	createFilteredRowModel,
	createSortedRowModel,
	globalFilteringFeature,
	rowSortingFeature,
	sortFn_basic,
	tableFeatures
} from '@tanstack/table-core';
import { storeReactivityBindings } from '@tanstack/table-core/store-reactivity-bindings';

/** A column of a table that sorts, is searched, and lets columns be chosen. */
export interface Column<Row> {
	readonly id: string;
	readonly name: string;
	/** What it is sorted by; null comes last, whichever way. Without it the column is not sorted. */
	readonly by?: (row: Row) => string | number | null;
	/** Figures stand under each other, at the right. */
	readonly figures?: boolean;
	/** May be left out by who looks; some are left out until they are asked for. */
	readonly optional?: 'shown' | 'hidden';
	/** Of its cells, such as their least width. */
	readonly class?: string;
}

export interface Order {
	readonly id: string;
	readonly descending: boolean;
}

const features = tableFeatures({
	rowSortingFeature,
	columnFilteringFeature,
	columnVisibilityFeature,
	globalFilteringFeature,
	sortedRowModel: createSortedRowModel(),
	filteredRowModel: createFilteredRowModel(),
	sortFns: { basic: sortFn_basic },
	coreReactivityFeature: storeReactivityBindings()
});

/** Words are sorted as a person would, "Batch 9" before "Batch 10". */
const collator = new Intl.Collator('en-GB', { numeric: true, sensitivity: 'base' });

function compare(a: unknown, b: unknown): number {
	return typeof a === 'number' && typeof b === 'number' ? a - b : collator.compare(String(a), String(b));
}

interface Input<Row> {
	readonly rows: readonly Row[];
	readonly columns: readonly Column<Row>[];
	/** All of a row that a search looks through. */
	readonly words: (row: Row) => string;
	readonly initial?: Order | undefined;
}

/** What of a table's rows and columns is seen, and in which order. The rows themselves stay whose they are. */
export class DataTableState<Row> {
	readonly #input: () => Input<Row>;
	/** Null as the rows come. */
	order = $state.raw<Order | null>(null);
	search = $state('');
	/** What was chosen, by column. */
	#shown = $state.raw<Readonly<Record<string, boolean>>>({});

	constructor(input: () => Input<Row>) {
		this.#input = input;
		this.order = input().initial ?? null;
	}

	readonly #table = $derived.by(() => {
		const { rows, columns, words } = this.#input();
		const helper = createColumnHelper<typeof features, { row: Row }>();
		const first = columns[0]?.id;
		return constructTable({
			features,
			data: rows.map((row) => ({ row })),
			columns: helper.columns(
				columns.map(({ id, by }) =>
					helper.accessor(({ row }) => by?.(row) ?? undefined, {
						id,
						sortUndefined: 'last',
						sortFn: (a, b, column) => compare(a.getValue(column), b.getValue(column))
					})
				)
			),
			// Each row is looked through once, with all its words.
			getColumnCanGlobalFilter: (column) => column.id === first,
			globalFilterFn: (row, _column, asked: string) => {
				const own = words(row.original.row).toLocaleLowerCase('en-GB');
				return asked
					.toLocaleLowerCase('en-GB')
					.split(/\s+/)
					.every((word) => own.includes(word));
			},
			state: {
				sorting: this.order ? [{ id: this.order.id, desc: this.order.descending }] : [],
				globalFilter: this.search.trim() || undefined,
				columnVisibility: Object.fromEntries(columns.map((c) => [c.id, this.isShown(c.id)]))
			}
		});
	});

	/** What is found, in its order. */
	readonly rows = $derived(this.#table.getRowModel().rows.map(({ original }) => original.row));

	readonly columns = $derived.by(() => {
		const visible = this.#table.getVisibleLeafColumns().map((c) => c.id);
		return this.#input().columns.filter((c) => visible.includes(c.id));
	});

	/** How many there are in all. */
	get total(): number {
		return this.#input().rows.length;
	}

	isShown(id: string): boolean {
		const column = this.#input().columns.find((c) => c.id === id);
		return this.#shown[id] ?? column?.optional !== 'hidden';
	}
	show(id: string, shown: boolean): void {
		this.#shown = { ...this.#shown, [id]: shown };
	}

	/** By this column; pressed again, the other way; a third time, as the rows came. */
	sort(id: string): void {
		const { order } = this;
		if (order?.id !== id) this.order = { id, descending: false };
		else this.order = order.descending ? null : { id, descending: true };
	}
	/** As `aria-sort` says it. */
	sorted(id: string): 'ascending' | 'descending' | 'none' {
		if (this.order?.id !== id) return 'none';
		return this.order.descending ? 'descending' : 'ascending';
	}
}
