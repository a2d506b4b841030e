<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { send } from '$lib/client/api';
	import { LONGEST } from '$lib/contract/lengths';
	import { guessRole, reportRows, type ColumnRole } from '$lib/core/interchange';
	import { PARAMETER_IDS, PARAMETERS, UNITS } from '$lib/core/quantity';
	import type { Fault as CoreFault } from '$lib/core/result';
	import { civilDate, instantOfLocal, offsetMinutes, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { faultText } from '$lib/format/faults/faults';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import FileField from '$lib/ui/kit/FileField.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { REPORT_FAULTS, ROLE_NAMES, roleId, roleOf } from './roles';

	interface Props {
		waterId: string;
		newId: () => string;
		timeZone: string;
		now: Instant;
	}
	let { waterId, newId, timeZone, now }: Props = $props();

	/** A larger file is no report. */
	const MOST_BYTES = 200_000;
	const MOST_SHOWN = 8;
	let text = $state('');
	let source = $state('');
	let drawn = $state('');
	let table = $state.raw<readonly (readonly string[])[]>([]);
	/** What the keeper changed against the guess, by column. */
	let roles = $state.raw<readonly ColumnRole[]>([]);
	let trouble = $state('');
	let kept = $state('');
	let busy = $state(false);
	let commandId = '';

	const head = $derived(table[0] ?? []);
	const lines = $derived(table.slice(1));
	const day = $derived(drawn === '' ? now : instantOfLocal(drawn, timeZone));
	const read = $derived(reportRows(lines, roles, day, timeZone));
	const choices = [
		...Object.entries(ROLE_NAMES).map(([id, name]) => ({ value: id, name })),
		...PARAMETER_IDS.flatMap((p) =>
			PARAMETERS[p].units.map((u) => ({
				value: `${p}/${u}`,
				name: `${PARAMETERS[p].name}${u === 'ph' ? '' : `, ${UNITS[u].symbol}`}`
			}))
		)
	];

	/** The server names a row by its place; the keeper sees what stands in it. */
	function lineFault(fault: CoreFault): string {
		const row = read.rows[Number(/^rows\.(\d+)/.exec(fault.field ?? '')?.[1] ?? -1)];
		const said = faultText(fault);
		return row ? `${PARAMETERS[row.parameter].name} ${plain(row.value)}: ${said}` : said;
	}
	async function look(): Promise<void> {
		trouble = '';
		kept = '';
		const { default: Papa } = await import('papaparse');
		const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
		if (parsed.data.length < 2) {
			table = [];
			trouble = 'There is no table in it: a line of heads and at least one line of values are needed.';
			return;
		}
		table = parsed.data;
		roles = parsed.data[0]!.map(guessRole);
		commandId = newId();
	}
	async function open(file: File): Promise<boolean> {
		if (file.size > MOST_BYTES) {
			trouble = 'That file is larger than any report. Take the part with the values out of it.';
			return false;
		}
		text = await file.text();
		source ||= file.name.replace(/\.[a-z]+$/i, '');
		await look();
		return true;
	}
	async function save(): Promise<void> {
		busy = true;
		trouble = '';
		const answer = await send<{ kept: number }>(`/api/waters/${waterId}/reports`, {
			id: commandId,
			waterId,
			source: source.trim(),
			rows: read.rows.map((row) => ({ ...row, offsetMinutes: offsetMinutes(row.drawnAt, timeZone) }))
		});
		busy = false;
		if (answer.kind === 'ok') {
			kept = `${answer.value.kept} values are kept.`;
			table = [];
			text = '';
			await invalidateAll();
		} else {
			trouble =
				answer.kind === 'refused'
					? lineFault(answer.fault)
					: 'The server cannot be reached. What you brought in stands here; try again in a moment.';
		}
	}
</script>

<div class="mt-3 grid gap-4">
	<FileField label="The report as a table (CSV)" accept=".csv,.tsv,.txt,text/csv,text/plain" onfile={open} />
	<TextArea
		label="or paste it here, with its line of heads"
		quiet
		bind:value={text}
		rows={5}
		look="figures"
		placeholder="Parameter;Value;Unit;±;Date"
	/>
	<div><Button onclick={() => void look()} disabled={text.trim() === ''}>Look at its columns</Button></div>
</div>
{#if trouble}<div class="mt-4"><Fault text={trouble} /></div>{/if}
{#if kept}<p class="mt-4" role="status">{kept}</p>{/if}

{#if head.length > 0}
	<h3 class="mt-6 text-xl">What each column holds</h3>
	<p class="small text-muted">It was guessed from the heads. Put right what is not so.</p>
	<div class="mt-2">
		<Table wide="Columns of the report">
			<thead>
				<tr class="border-b text-left align-bottom">
					{#each head as name, c (c)}
						<th class="min-w-40 py-2 pr-4 font-normal">
							<span class="small block text-muted">{name || `column ${c + 1}`}</span>
							<Choice
								label="What {name || `column ${c + 1}`} holds"
								bare
								value={roleId(roles[c] ?? { kind: 'ignore' })}
								items={choices}
								onpick={(id) => (roles = roles.map((r, i) => (i === c ? roleOf(id) : r)))}
							/>
						</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each lines.slice(0, MOST_SHOWN) as line, i (i)}
					<tr class="border-b">
						{#each head as _, c (c)}<td class="py-1.5 pr-4">{line[c] ?? ''}</td>{/each}
					</tr>
				{/each}
			</tbody>
		</Table>
	</div>
	{#if lines.length > MOST_SHOWN}<p class="small text-muted">
			and {lines.length - MOST_SHOWN} more lines
		</p>{/if}

	<div class="mt-5 grid gap-4 sm:grid-cols-2">
		<Field label="From where" maxlength={LONGEST.source} bind:value={source} />
		<DateField
			label="Drawn, where a line has no date"
			of="moment"
			value=""
			today={civilDate(now, timeZone)}
			onset={(moment) => (drawn = moment ?? '')}
		/>
	</div>

	<h3 class="mt-6 text-xl">{read.rows.length} {read.rows.length === 1 ? 'value' : 'values'} to keep</h3>
	<ul class="figures mt-1 border-b">
		{#each read.rows as row, i (i)}
			<li class="border-t py-1.5">
				<strong>{PARAMETERS[row.parameter].name}</strong>
				{row.kind === 'value' ? '' : `${row.kind} `}{plain(row.value)}
				{UNITS[row.unit].symbol}{row.expandedU === null ? '' : ` ± ${plain(row.expandedU)}`}
				<span class="text-muted">drawn {shortDay(row.drawnAt, timeZone, now)}</span>
			</li>
		{/each}
		{#each read.faults as fault, i (i)}
			<li class="border-t py-1.5 font-semibold text-warn">
				Line {fault.line}: {REPORT_FAULTS[fault.why]}
				{fault.text ? `(“${fault.text}”)` : ''}
			</li>
		{/each}
	</ul>
	{#if read.faults.length > 0}
		<p class="small mt-1 text-muted">
			Lines that are not understood are left out; put them right in the table.
		</p>
	{/if}
	<p class="mt-4">
		<Button
			kind="primary"
			size="large"
			disabled={busy || read.rows.length === 0 || source.trim() === ''}
			onclick={() => void save()}>Keep {read.rows.length === 1 ? 'this value' : 'these values'}</Button
		>
		{#if source.trim() === ''}<span class="small pl-3 text-muted">Say first from where it comes.</span>{/if}
	</p>
{/if}
