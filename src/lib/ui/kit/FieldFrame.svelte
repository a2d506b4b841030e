<script lang="ts">
	import Label from 'flowbite-svelte/Label.svelte';
	import type { Snippet } from 'svelte';
	import { sayFault } from './said-faults.svelte';

	/** What a field's control says of itself. */
	interface Control {
		readonly id: string;
		readonly 'aria-label': string | undefined;
		readonly 'aria-describedby': string | undefined;
		readonly 'aria-invalid': 'true' | undefined;
		/** The control's border: thicker and in the colour of warnings where something is wrong. */
		readonly class: string;
	}
	interface Props {
		label: string;
		/** The label is said but not shown: the place makes it clear to those who see. */
		bare?: boolean;
		unit?: string;
		help?: string;
		/** How what was typed is understood, where it could mean two things. */
		understood?: string;
		fault?: string | undefined;
		/** The unit stands beside a control that keeps its own width. */
		class?: string;
		/** A quieter label. */
		quiet?: boolean;
		/** For a wet thumb. */
		large?: boolean;
		children: Snippet<[Control]>;
	}
	let {
		label,
		bare = false,
		unit = '',
		help = '',
		understood = '',
		fault,
		class: extra = '',
		quiet = false,
		large = false,
		children
	}: Props = $props();

	const id = $props.id();
	sayFault(() => fault);
	const described = $derived(
		[help && `${id}-help`, understood && `${id}-understood`, fault && `${id}-fault`].filter(Boolean).join(' ')
	);
	const control = $derived<Control>({
		id,
		'aria-label': bare ? label : undefined,
		'aria-describedby': described || undefined,
		'aria-invalid': fault ? 'true' : undefined,
		class: `${large ? 'min-h-12' : 'min-h-11'} w-full rounded-md bg-surface px-3 text-base text-ink disabled:bg-paper disabled:text-muted ${fault ? 'border-2 border-warn' : 'border border-line-strong'}`
	});
	const labelLook = $derived(quiet ? 'small block text-muted' : 'mb-1 block font-semibold');
</script>

<div class={extra}>
	{#if !bare}<Label for={id} class={labelLook}>{label}</Label>{/if}
	{#if unit}
		<div class="flex items-baseline gap-2">
			{@render children(control)}<span class="shrink-0 text-muted">{unit}</span>
		</div>
	{:else}
		{@render children(control)}
	{/if}
	{#if understood}<p id="{id}-understood" class="small figures mt-1 font-semibold">{understood}</p>{/if}
	{#if help}<p id="{id}-help" class="small mt-1 text-muted">{help}</p>{/if}
	{#if fault}<p id="{id}-fault" class="small mt-1 font-semibold text-warn">{fault}</p>{/if}
</div>
