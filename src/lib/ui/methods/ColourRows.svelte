<script lang="ts">
	import type { MethodText } from './draft/method-text';

	interface Props {
		rows: MethodText['colours'];
		unit: string;
		onchange: (rows: MethodText['colours']) => void;
	}
	let { rows, unit, onchange }: Props = $props();

	const MOST = 40;
	const change = (i: number, part: Partial<MethodText['colours'][number]>) =>
		onchange(rows.map((row, k) => (k === i ? { ...row, ...part } : row)));
	const field = 'min-h-11 w-full rounded-md border border-line-strong bg-surface px-3';
</script>

<fieldset>
	<legend class="font-semibold">The steps of the card, palest first</legend>
	<div class="mt-2 grid grid-cols-[6rem_1fr_3.5rem_auto] items-center gap-2">
		{#each rows as row, i (i)}
			<input
				class="figures {field}"
				inputmode="decimal"
				aria-label="Step {i + 1}, {unit}"
				placeholder={unit}
				value={row.value}
				oninput={(e) => change(i, { value: e.currentTarget.value })}
			/>
			<input
				class={field}
				aria-label="Step {i + 1}, colour"
				placeholder="colour"
				value={row.name}
				oninput={(e) => change(i, { name: e.currentTarget.value })}
			/>
			<input
				type="color"
				class="h-11 w-14 border border-line-strong"
				aria-label="Step {i + 1}, shade"
				value={row.css}
				oninput={(e) => change(i, { css: e.currentTarget.value })}
			/>
			<button
				type="button"
				class="link min-h-11 px-2"
				disabled={rows.length <= 2}
				aria-label="Take step {i + 1} away"
				onclick={() => onchange(rows.filter((_, k) => k !== i))}>×</button
			>
		{/each}
	</div>
	{#if rows.length < MOST}
		<button
			type="button"
			class="link mt-2 min-h-11"
			onclick={() => onchange([...rows, { value: '', name: '', css: rows.at(-1)?.css ?? '#cccccc' }])}
			>One step more</button
		>
	{/if}
</fieldset>
