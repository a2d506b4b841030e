<script lang="ts" generics="Row">
	import ChevronDownOutline from 'flowbite-svelte-icons/ChevronDownOutline.svelte';
	import ChevronSortOutline from 'flowbite-svelte-icons/ChevronSortOutline.svelte';
	import ChevronUpOutline from 'flowbite-svelte-icons/ChevronUpOutline.svelte';
	import { onMount, tick, type Snippet } from 'svelte';
	import Button from './Button.svelte';
	import Checkbox from './Checkbox.svelte';
	import { DataTableState, type Column, type Order } from './data-table.svelte';
	import Field from './Field.svelte';
	import Menu from './Menu.svelte';
	import { RowsInView } from './rows-in-view.svelte';
	import Table from './Table.svelte';

	interface Props {
		/** What the table holds, such as "Readings of calcium". */
		label: string;
		rows: readonly Row[];
		columns: readonly Column<Row>[];
		key: (row: Row) => string;
		/** All of a row that a search looks through. */
		words: (row: Row) => string;
		/** What stands in a cell: plain markup, since a long table has many. */
		cell: Snippet<[Row, string]>;
		initial?: Order;
		/** Rows of the same group, in the order in which they come, stand under one heading. */
		group?: (row: Row) => string;
		/** Where the search is for a reason left out: a table of few rows. */
		searched?: boolean;
		/** What a row looks like as a whole. */
		look?: (row: Row) => string;
		/** On a phone a row is a block of its own, laid out by these classes, and not a line that is wider than the phone. */
		stacked?: string;
		/** What stands under a row, across all of it. */
		under?: Snippet<[Row]>;
		hasUnder?: (row: Row) => boolean;
		empty?: Snippet;
	}
	let {
		label,
		rows,
		columns,
		key,
		words,
		cell,
		initial,
		group,
		searched = true,
		look = () => '',
		stacked = '',
		under,
		hasUnder = () => false,
		empty
	}: Props = $props();

	const table = new DataTableState<Row>(() => ({ rows, columns, words, initial }));
	let body = $state<HTMLElement>();
	const view = new RowsInView(() => ({ count: table.rows.length, estimate: 44, body }));
	const seen = $derived(view.seen);
	const choosable = $derived(columns.filter((c) => c.optional));
	/** Headings say something only while the rows stand as they came. */
	const grouped = $derived(
		group !== undefined && table.order?.id === initial?.id && table.order?.descending === initial?.descending
	);
	const heading = (i: number): string => {
		const [row, before] = [table.rows[i], table.rows[i - 1]];
		if (!grouped || row === undefined) return '';
		const own = group!(row);
		return before !== undefined && group!(before) === own ? '' : own;
	};
	// Before its script has come a table neither sorts nor is searched: then it does not offer it.
	let works = $state(false);
	onMount(() => (works = true));
	/** The row that the keyboard is on. */
	let at = $state(0);

	const MOST_FRAMES = 60;
	async function go(index: number): Promise<void> {
		at = Math.max(0, Math.min(table.rows.length - 1, index));
		view.scrollTo(at);
		// A row that was out of sight is drawn once the window has moved.
		for (let frames = 0; frames < MOST_FRAMES; frames++) {
			await tick();
			const row = body?.querySelector<HTMLElement>(`tr[data-index="${at}"]`);
			if (row) return row.focus();
			await new Promise((drawn) => requestAnimationFrame(drawn));
		}
	}
	function keys(event: KeyboardEvent): void {
		const row = (event.target as HTMLElement).closest<HTMLElement>('tr[data-index]');
		if (!row || (event.target as HTMLElement).matches('input, select, textarea')) return;
		const index = Number(row.dataset.index);
		const page = 10;
		const to = {
			ArrowDown: index + 1,
			ArrowUp: index - 1,
			PageDown: index + page,
			PageUp: index - page,
			Home: 0,
			End: table.rows.length - 1
		}[event.key];
		if (to !== undefined) void go(to);
		else if (event.key === 'Enter' && event.target === row)
			row.querySelector<HTMLElement>('a, button')?.click();
		else return;
		event.preventDefault();
	}
</script>

{#if works && (searched || choosable.length > 0)}
	<div class="mb-2 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
		{#if searched}
			<Field
				type="search"
				label="Search: {label}"
				bare
				class="min-w-56 grow sm:max-w-80"
				placeholder="Search these {rows.length}"
				bind:value={table.search}
			/>
		{/if}
		<p class="small figures text-muted empty:hidden" role="status">
			{table.search.trim() === '' ? '' : `${table.rows.length} of ${table.total} hold it`}
		</p>
		{#if choosable.length > 0}
			<Menu title="Columns" side="right">
				{#each choosable as column (column.id)}
					<li class="px-4">
						<Checkbox
							checked={table.isShown(column.id)}
							onchange={(e) => table.show(column.id, e.currentTarget.checked)}>{column.name}</Checkbox
						>
					</li>
				{/each}
			</Menu>
		{/if}
	</div>
{/if}

{#if table.rows.length === 0 && empty && table.search.trim() === ''}
	{@render empty()}
{:else}
	<Table wide={label} aria-label={label} aria-rowcount={table.rows.length + 1}>
		<thead class={stacked ? 'max-sm:hidden' : ''}>
			<tr class="small border-b text-muted">
				{#each table.columns as column (column.id)}
					<th
						scope="col"
						aria-sort={column.by ? table.sorted(column.id) : undefined}
						class="pr-4 font-semibold whitespace-nowrap last:pr-0 {column.figures ? 'text-right' : ''}"
					>
						{#if column.by && works}
							{@const sorted = table.sorted(column.id)}
							<Button
								kind="bare"
								class="flex min-h-10 items-center gap-0.5 hover:text-ink {column.figures
									? 'ml-auto'
									: ''} {sorted === 'none' ? '' : 'text-ink'}"
								onclick={() => table.sort(column.id)}
							>
								{column.name}
								{#if sorted === 'ascending'}<ChevronUpOutline class="size-4" />
								{:else if sorted === 'descending'}<ChevronDownOutline class="size-4" />
								{:else}<ChevronSortOutline class="size-4 text-line-strong" />{/if}
							</Button>
						{:else}{column.name}{/if}
					</th>
				{/each}
			</tr>
		</thead>
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
		<tbody bind:this={body} onkeydown={keys}>
			{#if works && seen.above > 0}<tr aria-hidden="true"
					><td colspan={table.columns.length} height={seen.above}></td></tr
				>{/if}
			{#each table.rows.slice(seen.from, seen.to) as row, i (key(row))}
				{@const index = seen.from + i}
				{@const title = heading(index)}
				{#if title}
					<tr
						><th scope="rowgroup" colspan={table.columns.length} class="label border-b pt-5 pb-1">{title}</th
						></tr
					>
				{/if}
				<!-- A row that is laid out as a block is none to some readers unless it says so. -->
				<!-- svelte-ignore a11y_no_redundant_roles -->
				<tr
					{@attach view.measured}
					data-index={index}
					aria-rowindex={index + 2}
					tabindex={index === at ? 0 : -1}
					role="row"
					class="align-top focus-visible:outline-offset-[-3px] {under && hasUnder(row)
						? ''
						: 'border-b'} {stacked && `max-sm:grid ${stacked}`} {look(row)}"
				>
					{#each table.columns as column (column.id)}
						<td
							role="cell"
							class="{stacked ? 'sm:py-2.5' : 'py-2.5'} pr-4 last:pr-0 {column.figures
								? 'text-right whitespace-nowrap'
								: ''} {column.class ?? ''}">{@render cell(row, column.id)}</td
						>
					{/each}
				</tr>
				{#if under && hasUnder(row)}
					<tr class="border-b"><td colspan={table.columns.length} class="pb-3">{@render under(row)}</td></tr>
				{/if}
			{/each}
			{#if works && seen.below > 0}<tr aria-hidden="true"
					><td colspan={table.columns.length} height={seen.below}></td></tr
				>{/if}
			{#if table.rows.length === 0}
				<tr
					><td colspan={table.columns.length} class="py-6 text-muted"
						>Nothing in it holds all of these words.</td
					></tr
				>
			{/if}
		</tbody>
	</Table>
{/if}
