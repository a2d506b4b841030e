<script lang="ts">
	import Badge from '$lib/ui/kit/Badge.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import { sortRows } from '$lib/ui/kit/sort-rows';
	import { blockOf } from './draft/block-words';
	import type { DraftStep } from './draft/protocol-of-text';

	interface Props {
		rows: readonly DraftStep[];
		fullMl: string;
		/** The text of the steps, changed. */
		onchange: (steps: string) => void;
	}
	let { rows, fullMl, onchange }: Props = $props();

	const own = $derived(rows.filter((r) => !r.added));
	const write = (clauses: readonly string[]) => onchange(clauses.join('; '));
	function moveTo(from: number, to: number): void {
		if (to < 0 || to >= own.length) return;
		const steps = own.map((r) => r.text);
		const [moved] = steps.splice(from, 1);
		steps.splice(to, 0, moved!);
		write(steps);
	}
	const move = (row: DraftStep, by: 1 | -1) => moveTo(own.indexOf(row), own.indexOf(row) + by);
	const remove = (row: DraftStep) => write(own.filter((r) => r !== row).map((r) => r.text));
	const replace = (row: DraftStep, text: string) => write(own.map((r) => (r === row ? text : r.text)));
	const unknown = $derived(own.filter((r) => !r.understood).length);
</script>

{#if unknown > 0}
	<p class="mt-3 border-l-4 border-warn pl-3" role="status">
		{unknown === 1 ? 'One step is' : `${unknown} steps are`} kept in your own words and marked: nothing in it is
		timed or counted. Say it as in “3 drops A” or “swirl 10 s” if it should be.
	</p>
{/if}
<ol
	class="mt-4 space-y-2"
	aria-label="Steps as they were understood"
	{@attach sortRows((from, to) => moveTo(from, to))}
>
	{#each rows as row, i (i)}
		{@const block = blockOf(row.step)}
		<li
			class="grid grid-cols-[2.75rem_1fr] items-stretch border bg-surface {row.added
				? 'border-dashed'
				: row.understood
					? ''
					: 'border-l-4 border-l-warn'}"
			{...row.added ? {} : { 'data-drag-row': '' }}
		>
			{#if row.added}
				<span class="figures flex items-center justify-center border-r text-muted">{i + 1}</span>
			{:else}
				<span
					data-drag-handle
					title="Drag to another place"
					class="figures flex cursor-grab touch-none flex-col items-center justify-center border-r select-none active:cursor-grabbing"
				>
					<span aria-hidden="true" class="leading-none text-muted">≡</span>{i + 1}
				</span>
			{/if}
			<div class="min-w-0 px-3 {row.added ? 'py-2' : 'pt-2'}">
				<span class="flex flex-wrap items-center gap-x-2 gap-y-1">
					<Badge>{row.understood || row.added ? block.name : 'your words'}</Badge>
					{#each block.marks as mark (mark)}<span class="figures small text-muted">{mark}</span>{/each}
				</span>
				<span class="mt-0.5 block">{row.step.say.replace('{sample}', `${fullMl} mL`)}</span>
				{#if row.added}
					<span class="small block text-muted">put in for you</span>
				{:else}
					<span class="flex items-start justify-between gap-2">
						<Disclosure class="small min-w-0 grow" title="Edit" look="link min-h-11">
							<Field
								value={row.text}
								label="Step {i + 1}, as text"
								bare
								class="mt-1 mb-2"
								onchange={(e) => replace(row, e.currentTarget.value)}
							/>
						</Disclosure>
						<span class="flex shrink-0">
							<Button
								kind="bare"
								class="min-h-11 min-w-11"
								aria-label="Step {i + 1} up"
								onclick={() => move(row, -1)}>↑</Button
							>
							<Button
								kind="bare"
								class="min-h-11 min-w-11"
								aria-label="Step {i + 1} down"
								onclick={() => move(row, 1)}>↓</Button
							>
							<Button
								kind="bare"
								class="min-h-11 min-w-11"
								aria-label="Take step {i + 1} away"
								onclick={() => remove(row)}>×</Button
							>
						</span>
					</span>
				{/if}
			</div>
		</li>
	{/each}
</ol>
