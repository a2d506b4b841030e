<script lang="ts">
	import {
		portionsOf,
		sampleOf,
		stepsFor,
		timerSecondsOf,
		type Method,
		type Portion
	} from '$lib/core/method';
	import { convert, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { printedTables, type PrintedTable } from '$lib/core/reading';
	import { countdown } from '$lib/format/date';
	import { CAUTIONS, LABEL_FIRST } from '$lib/format/bench/hazard';
	import { worthWords } from '$lib/format/methods/method';
	import { fixed, plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import Table from '$lib/ui/kit/Table.svelte';

	interface Props {
		waterId: string;
		method: Method;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { waterId, method, units }: Props = $props();

	let portion = $state<Portion>('full');
	const steps = $derived(stepsFor(method, portion));
	const tables = $derived(printedTables(method, portion));
	const hazards = $derived([...new Set(method.reagents.flatMap((r) => r.hazards))]);

	const shown = ({ titration }: PrintedTable, value: number | null) => {
		if (value === null) return '–';
		const { parameter } = titration;
		const x = convert(value, PARAMETERS[parameter].canonicalUnit, units[parameter]);
		return fixed(x, x >= 100 ? 0 : x >= 2 ? 1 : 2);
	};
	const READ = {
		left: 'mL left in the syringe',
		used: 'mL used',
		drops: 'drops'
	} as const;
	/** Ten to a line: the line is the first decimal, the column the second. */
	function linesOf(table: PrintedTable): { head: string; cells: string[] }[] {
		const lines: { head: string; cells: string[] }[] = [];
		const perLine = 10;
		for (let i = 0; i < table.entries.length; i += perLine) {
			const part = table.entries.slice(i, i + perLine);
			lines.push({
				head: table.readAs === 'drops' ? `${part[0]!.read}–${part.at(-1)!.read}` : fixed(part[0]!.read, 1),
				cells: part.map((e) => shown(table, e.value))
			});
		}
		return lines;
	}
</script>

<main class="page max-w-[60rem]! print:p-0!">
	<div class="flex flex-wrap items-baseline justify-between gap-3 print:hidden">
		<p class="label"><a class="link" href="/waters/{waterId}/methods/{method.code}">{method.name}</a></p>
		<div class="flex flex-wrap gap-3">
			{#each portionsOf(method).length > 1 ? portionsOf(method) : [] as p (p)}
				<Button
					kind={p === portion ? 'secondary' : 'quiet'}
					aria-pressed={p === portion}
					onclick={() => (portion = p)}>{p === 'full' ? 'Full' : 'Half'} sample</Button
				>
			{/each}
			<Button kind="primary" onclick={() => window.print()}>Print the card</Button>
		</div>
		<p class="small w-full text-muted">
			On one page, large enough to read from the bench. Put it in a sleeve: it wipes clean.
		</p>
	</div>

	<article class="card mt-4 border-2 border-ink p-5 print:m-0 print:border-0 print:p-0">
		<header class="flex flex-wrap items-baseline justify-between gap-x-6 border-b-2 border-ink pb-2">
			<h1 class="text-3xl">{method.name}</h1>
			<p class="figures">
				{PARAMETERS[method.parameter].name}{sampleOf(method, portion) === null
					? ''
					: ` · ${plain(sampleOf(method, portion) ?? 0)} mL sample`} · version {method.version}
			</p>
		</header>
		<ol class="mt-3">
			{#each steps as step, i (step.id)}
				{@const seconds = timerSecondsOf(step)}
				<li class="grid grid-cols-[2rem_1fr_auto] gap-x-3 border-b py-1.5">
					<span class="figures font-semibold">{i + 1}</span>
					<span class="text-lg leading-snug"
						>{step.say}{#if step.expect}<span class="small text-muted">; then {step.expect.name}</span
							>{/if}</span
					>
					{#if seconds !== null}<strong class="figures text-lg">{countdown(seconds * 1000)}</strong>{/if}
				</li>
			{/each}
		</ol>
		{#each tables as table, t (t)}
			<Table wide="Table of {PARAMETERS[table.titration.parameter].name}" class="text-center">
				<caption class="pb-1 text-left"
					><strong
						>{PARAMETERS[table.titration.parameter].name}, {UNITS[units[table.titration.parameter]]
							.symbol}</strong
					>
					by {READ[table.readAs]}{method.kind === 'difference' ? '; calcium is still in it' : ''}</caption
				>
				<thead>
					<tr class="border-b text-muted">
						<th class="px-1 font-normal"></th>
						{#each { length: 10 } as _, i (i)}<th class="px-1 font-normal"
								>{table.readAs === 'drops' ? `+${i}` : `0.0${i}`}</th
							>{/each}
					</tr>
				</thead>
				<tbody>
					{#each linesOf(table) as line (line.head)}
						<tr class="border-b">
							<th class="px-1 text-left font-semibold whitespace-nowrap">{line.head}</th>
							{#each line.cells as cell, i (i)}<td class="px-1">{cell}</td>{/each}
						</tr>
					{/each}
				</tbody>
			</Table>
		{/each}
		{#if method.kind === 'colour-card' || method.kind === 'comparator'}
			<ul class="mt-4 flex flex-wrap gap-2" aria-label="Steps">
				{#each method.colourSteps as s (s.value)}
					<li class="text-center">
						<svg width="70" height="34" aria-hidden="true"
							><rect x="1" y="1" width="68" height="32" fill={s.colour.css} stroke="var(--ink)" /></svg
						>
						<span class="figures block font-semibold">{plain(s.value)}</span>
					</li>
				{/each}
			</ul>
			<p class="small mt-1">
				{UNITS[method.unit].symbol}. The kit’s own printed steps decide: ink and screen are other colours.
			</p>
		{:else if tables.length === 0}
			{#each worthWords(method) as line, i (i)}<p class="mt-3">{line}</p>{/each}
		{/if}
		{#if hazards.length > 0}
			<p class="small mt-3">
				<strong>Cautions.</strong>
				{hazards.map((h) => CAUTIONS[h]).join(' ')}
				{LABEL_FIRST}
			</p>
		{/if}
	</article>
</main>
