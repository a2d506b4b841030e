<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import ColourField from '$lib/ui/kit/ColourField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
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
</script>

<fieldset>
	<legend class="font-semibold">The steps of the card, palest first</legend>
	<div class="mt-2 grid grid-cols-[6rem_1fr_3.5rem_auto] items-center gap-2">
		{#each rows as row, i (i)}
			<Field
				inputmode="decimal"
				label="Step {i + 1}, {unit}"
				bare
				placeholder={unit}
				value={row.value}
				oninput={(e) => change(i, { value: e.currentTarget.value })}
			/>
			<Field
				label="Step {i + 1}, colour"
				bare
				placeholder="colour"
				value={row.name}
				oninput={(e) => change(i, { name: e.currentTarget.value })}
			/>
			<ColourField label="Step {i + 1}, shade" value={row.css} onset={(css) => change(i, { css })} />
			<Button
				kind="text"
				class="min-h-11 px-2"
				disabled={rows.length <= 2}
				aria-label="Take step {i + 1} away"
				onclick={() => onchange(rows.filter((_, k) => k !== i))}>×</Button
			>
		{/each}
	</div>
	{#if rows.length < MOST}
		<Button
			kind="text"
			class="mt-2 min-h-11"
			onclick={() => onchange([...rows, { value: '', name: '', css: rows.at(-1)?.css ?? '#cccccc' }])}
			>One step more</Button
		>
	{/if}
</fieldset>
