<script lang="ts">
	import type { CorrectionField } from '$lib/contract/correction';
	import type { Method } from '$lib/core/method';
	import { correctionLabel, correctionOption } from '$lib/format/log/correction';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';

	interface Props {
		method: Method;
		fields: readonly CorrectionField[];
		/** What stands in them; a tick that is not there is off. */
		entered: Readonly<Record<string, string>>;
		onset: (name: string, value: string) => void;
	}
	let { method, fields, entered, onset }: Props = $props();
</script>

<div class="grid gap-5 sm:grid-cols-2">
	{#each fields as field (field.name)}
		{#if field.kind === 'choice'}
			<Choice
				name={field.name}
				label={correctionLabel(method, field.name)}
				value={entered[field.name] ?? ''}
				onpick={(picked) => onset(field.name, picked)}
				items={field.options.map((value) => ({
					value,
					name: correctionOption(method, field.name, value)
				}))}
			/>
		{:else if field.kind === 'tick'}
			<Checkbox
				name={field.name}
				checked={entered[field.name] === 'on'}
				onchange={(e) => onset(field.name, e.currentTarget.checked ? 'on' : '')}
				class="min-h-11 items-center self-end">{correctionLabel(method, field.name)}</Checkbox
			>
		{:else}
			<Field
				name={field.name}
				label={correctionLabel(method, field.name)}
				inputmode="decimal"
				value={entered[field.name] ?? ''}
				oninput={(e) => onset(field.name, e.currentTarget.value)}
			/>
		{/if}
	{/each}
</div>
