<script lang="ts">
	import { untrack } from 'svelte';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import type { Method } from '$lib/core/method';
	import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { civilDate, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import { clockOf } from '$lib/ui/shared/context';
	import { EarlierGrid, ELSEWHERE } from './EarlierGrid.svelte';

	interface Props {
		waterId: string;
		columns: readonly ParameterId[];
		kits: readonly Method[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, columns, kits, units, timeZone, now }: Props = $props();

	const grid = untrack(
		() =>
			new EarlierGrid({
				waterId,
				columns,
				kits,
				units,
				timeZone,
				today: civilDate(now, timeZone),
				newId: idMaker(clockOf()),
				send: (command) => send(`/api/waters/${waterId}/test-runs`, command)
			})
	);
	let table: HTMLElement;
	const others = $derived(PARAMETER_IDS.filter((p) => !grid.columns.includes(p)));
	const kitItems = (parameter: ParameterId) => [
		{ value: ELSEWHERE, name: 'elsewhere' },
		...kits.filter((k) => k.parameter === parameter).map((k) => ({ value: k.code, name: k.name }))
	];
	const complaints = $derived(
		grid.rows.flatMap((row, at) =>
			grid.columns.flatMap((parameter) => {
				const cell = row.cells[parameter];
				return cell?.state === 'refused' ? [{ at, parameter, cell, date: row.date }] : [];
			})
		)
	);

	/** As many columns as there are; set here, since the page lets no style in that stands in its own text. */
	const inColumns = (node: HTMLElement) => {
		node.style.gridTemplateColumns = `10.5rem repeat(${grid.columns.length}, minmax(7.5rem, 10rem))`;
	};
	/** The field in a row and a column; the first column holds the dates. */
	const fieldAt = (row: number, column: number) =>
		table.querySelector<HTMLInputElement>(`[data-cell="${row}/${column}"]`);
	const STEPS: Readonly<Record<string, readonly [row: number, column: number]>> = {
		ArrowDown: [1, 0],
		ArrowUp: [-1, 0],
		Enter: [1, 0]
	};
	function key(event: KeyboardEvent, row: number, column: number): void {
		const step = STEPS[event.key];
		if (!step || event.ctrlKey || event.metaKey || event.altKey) return;
		const next = fieldAt(row + (event.shiftKey ? -step[0] : step[0]), column + step[1]);
		if (!next) return;
		event.preventDefault();
		next.focus();
		next.select();
	}
	function paste(event: ClipboardEvent, row: number, column: number): void {
		const text = event.clipboardData?.getData('text/plain') ?? '';
		if (grid.paste(row, column, text)) event.preventDefault();
	}
</script>

<main class="page max-w-[80rem]!">
	<p class="label"><a class="link" href="/waters/{waterId}/log">Log</a></p>
	<h1 class="mt-2 text-3xl">Readings from before</h1>
	<p class="mt-2 max-w-[46rem] text-muted">
		A day on each line, as the paper book has it, or pasted from a spreadsheet. Enter and the arrows go down
		and up, the tabulator goes on. The estimate starts from them.
	</p>

	<div class="mt-5 overflow-x-auto border-y pb-3" bind:this={table}>
		<div
			class="grid min-w-max items-start gap-x-2 gap-y-1.5 py-3"
			{@attach inColumns}
			role="group"
			aria-label="Readings, a day on each line"
		>
			<span class="self-end pb-2.5 font-semibold">Day</span>
			{#each grid.columns as parameter (parameter)}
				<div>
					<span class="block font-semibold">{PARAMETERS[parameter].name}</span>
					<span class="small block pb-1 text-muted">{UNITS[units[parameter]].symbol}</span>
					<Choice
						label="{PARAMETERS[parameter].name} was read with"
						bare
						items={kitItems(parameter)}
						value={grid.kitOf[parameter] ?? ELSEWHERE}
						onpick={(code) => grid.setKit(parameter, code)}
					/>
				</div>
			{/each}
			{#each grid.rows as row, at (at)}
				{@const when = grid.atOf(row)}
				<Field
					label="Day {at + 1}"
					bare
					value={row.date}
					oninput={(e) => grid.setDate(at, e.currentTarget.value)}
					onkeydown={(e) => key(e, at, 0)}
					onpaste={(e) => paste(e, at, 0)}
					data-cell="{at}/0"
					autocomplete="off"
					placeholder={at === 0 ? shortDay(now, timeZone, now) : ''}
					fault={row.date.trim() !== '' && when === null ? 'No day in the calendar.' : undefined}
				/>
				{#each grid.columns as parameter, column (parameter)}
					{@const cell = row.cells[parameter]}
					<Field
						label="{PARAMETERS[parameter].name}, {row.date || `day ${at + 1}`}"
						bare
						value={cell?.text ?? ''}
						oninput={(e) => grid.setCell(at, parameter, e.currentTarget.value)}
						onkeydown={(e) => key(e, at, column + 1)}
						onpaste={(e) => paste(e, at, column + 1)}
						data-cell="{at}/{column + 1}"
						readonly={cell?.state === 'saved'}
						aria-invalid={cell?.state === 'refused' ? 'true' : undefined}
						autocomplete="off"
						class={cell?.state === 'saved'
							? 'opacity-60'
							: cell?.state === 'refused'
								? 'border-l-4 border-warn pl-1'
								: ''}
					/>
				{/each}
			{/each}
		</div>
	</div>
	{#if others.length > 0}
		<Choice
			label="Another column"
			quiet
			class="mt-3 max-w-[14rem]"
			items={[
				{ value: '', name: 'choose …' },
				...others.map((p) => ({ value: p, name: PARAMETERS[p].name }))
			]}
			value=""
			onpick={(picked) => picked && grid.addColumn(picked as ParameterId)}
		/>
	{/if}

	{#if complaints.length > 0}
		<section class="mt-5 border-l-4 border-warn pl-4" aria-labelledby="complaints">
			<h2 id="complaints" class="font-semibold">Not kept yet</h2>
			<ul>
				{#each complaints as { at, parameter, cell, date } (`${at}/${parameter}`)}
					<li class="py-1">
						{date || `Line ${at + 1}`}, {PARAMETERS[parameter].name.toLowerCase()}
						<span class="figures">{cell.text}</span>: {cell.why}
						{#if cell.unusual}
							<Button kind="text" class="min-h-8" onclick={() => grid.confirm(at, parameter)}>It is so</Button
							>
						{/if}
					</li>
				{/each}
			</ul>
		</section>
	{/if}
	<div class="mt-6 flex flex-wrap items-center gap-4">
		<Button
			kind="primary"
			size="large"
			disabled={grid.saving || grid.count === 0}
			onclick={() => void grid.save()}
			>{grid.saving ? 'Keeping …' : `Keep ${grid.count} ${grid.count === 1 ? 'reading' : 'readings'}`}</Button
		>
		<p role="status" class={grid.away ? 'font-semibold text-warn' : 'text-muted'}>
			{grid.away || (grid.saved > 0 ? `${grid.saved} kept.` : '')}
		</p>
		{#if grid.saved > 0 && grid.count === 0}<a class="link" href="/waters/{waterId}/trends"
				>Look at the lines</a
			>{/if}
	</div>
	<p class="mt-8 border-t pt-4">
		What else the estimate starts from:
		<a class="link" href="/waters/{waterId}/log/new?kind=recurring-dose">a dose that runs</a>,
		<a class="link" href="/waters/{waterId}/log/new?kind=water-change">the last water change</a>.
	</p>
</main>
