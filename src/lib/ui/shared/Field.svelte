<script lang="ts">
	import Input from 'flowbite-svelte/Input.svelte';
	import Label from 'flowbite-svelte/Label.svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color' | 'class'> {
		name: string;
		label: string;
		unit?: string;
		help?: string;
		fault?: string | undefined;
	}
	let { name, label, unit = '', help = '', fault, ...rest }: Props = $props();

	const id = $props.id();
	const described = $derived([help && `${id}-help`, fault && `${id}-fault`].filter(Boolean).join(' '));
</script>

<div>
	<Label for={id} class="mb-1 text-base font-semibold text-ink">{label}</Label>
	<div class="flex items-baseline gap-2">
		<Input
			{id}
			{name}
			{...rest as Record<string, unknown>}
			aria-describedby={described || undefined}
			aria-invalid={fault ? 'true' : undefined}
			class="figures min-h-11 rounded-md border border-line-strong bg-surface px-3 text-base text-ink {fault
				? 'border-2 border-warn'
				: ''}"
		/>
		{#if unit}<span class="shrink-0 text-muted">{unit}</span>{/if}
	</div>
	{#if help}<p id="{id}-help" class="small mt-1 text-muted">{help}</p>{/if}
	{#if fault}<p id="{id}-fault" class="small mt-1 font-semibold text-warn">{fault}</p>{/if}
</div>
