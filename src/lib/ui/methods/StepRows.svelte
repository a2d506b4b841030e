<script lang="ts">
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
	function move(row: DraftStep, by: 1 | -1): void {
		const steps = own.map((r) => r.text);
		const at = own.indexOf(row);
		const to = at + by;
		if (to < 0 || to >= steps.length) return;
		[steps[at], steps[to]] = [steps[to]!, steps[at]!];
		write(steps);
	}
	const remove = (row: DraftStep) => write(own.filter((r) => r !== row).map((r) => r.text));
	const replace = (row: DraftStep, text: string) => write(own.map((r) => (r === row ? text : r.text)));
</script>

<ol class="mt-4 border-t" aria-label="Steps as they were understood">
	{#each rows as row, i (i)}
		<li class="grid grid-cols-[2rem_1fr_auto] items-start gap-x-2 border-b py-1.5">
			<span class="figures pt-1.5 text-muted">{i + 1}</span>
			<div class="min-w-0 pt-1.5">
				{row.step.say.replace('{sample}', `${fullMl} mL`)}
				{#if row.added}
					<span class="small block text-muted">put in for you</span>
				{:else if !row.understood}
					<span class="small block text-muted">kept in your words; no timer, no count</span>
				{/if}
				{#if !row.added}
					<details class="small">
						<summary class="link inline-block min-h-8">Edit</summary>
						<input
							value={row.text}
							aria-label="Step {i + 1}, as text"
							onchange={(e) => replace(row, e.currentTarget.value)}
							class="mt-1 mb-2 min-h-11 w-full rounded-md border border-line-strong bg-surface px-3 text-base"
						/>
					</details>
				{/if}
			</div>
			{#if !row.added}
				<span class="flex">
					<button
						type="button"
						class="min-h-10 min-w-10"
						aria-label="Step {i + 1} up"
						onclick={() => move(row, -1)}>↑</button
					>
					<button
						type="button"
						class="min-h-10 min-w-10"
						aria-label="Step {i + 1} down"
						onclick={() => move(row, 1)}>↓</button
					>
					<button
						type="button"
						class="min-h-10 min-w-10"
						aria-label="Take step {i + 1} away"
						onclick={() => remove(row)}>×</button
					>
				</span>
			{/if}
		</li>
	{/each}
</ol>
