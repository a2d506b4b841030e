<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
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
					<Disclosure class="small" title="Edit" look="link min-h-8">
						<Field
							value={row.text}
							label="Step {i + 1}, as text"
							bare
							class="mt-1 mb-2"
							onchange={(e) => replace(row, e.currentTarget.value)}
						/>
					</Disclosure>
				{/if}
			</div>
			{#if !row.added}
				<span class="flex">
					<Button
						kind="bare"
						class="min-h-10 min-w-10"
						aria-label="Step {i + 1} up"
						onclick={() => move(row, -1)}>↑</Button
					>
					<Button
						kind="bare"
						class="min-h-10 min-w-10"
						aria-label="Step {i + 1} down"
						onclick={() => move(row, 1)}>↓</Button
					>
					<Button
						kind="bare"
						class="min-h-10 min-w-10"
						aria-label="Take step {i + 1} away"
						onclick={() => remove(row)}>×</Button
					>
				</span>
			{/if}
		</li>
	{/each}
</ol>
