<script lang="ts">
	import ChevronDownOutline from 'flowbite-svelte-icons/ChevronDownOutline.svelte';
	import ChevronUpOutline from 'flowbite-svelte-icons/ChevronUpOutline.svelte';
	import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';

	interface Props {
		/** All that there are, as they usually stand. */
		parameters: readonly ParameterId[];
		/** Null is all of them. */
		rows: readonly ParameterId[] | null;
		onrows: (rows: readonly ParameterId[] | null) => void;
	}
	let { parameters, rows, onrows }: Props = $props();

	const shown = $derived((rows ?? parameters).filter((p) => parameters.includes(p)));
	/** Those that are shown in their order, then the rest. */
	const listed = $derived([...shown, ...parameters.filter((p) => !shown.includes(p))]);

	function choose(parameter: ParameterId, wanted: boolean): void {
		const next = wanted ? [...shown, parameter] : shown.filter((p) => p !== parameter);
		// A page without rows says nothing.
		if (next.length > 0) onrows(next);
	}
	function move(parameter: ParameterId, by: 1 | -1): void {
		const next = [...shown];
		const at = next.indexOf(parameter);
		[next[at], next[at + by]] = [next[at + by]!, next[at]!];
		onrows(next);
	}
</script>

<fieldset>
	<legend class="small text-muted">Rows and their order</legend>
	<ol class="mt-1">
		{#each listed as parameter (parameter)}
			{@const at = shown.indexOf(parameter)}
			{@const name = PARAMETERS[parameter].name}
			<li class="flex min-h-10 items-center gap-1 border-t first:border-0">
				<Checkbox
					checked={at >= 0}
					disabled={at >= 0 && shown.length === 1}
					onchange={(e) => choose(parameter, e.currentTarget.checked)}
					class="min-h-10 flex-1 items-center">{name}</Checkbox
				>
				{#if at >= 0}
					<Button
						kind="bare"
						class="flex size-10 items-center justify-center"
						disabled={at === 0}
						aria-label="{name} further up"
						onclick={() => move(parameter, -1)}><ChevronUpOutline class="size-5" /></Button
					>
					<Button
						kind="bare"
						class="flex size-10 items-center justify-center"
						disabled={at === shown.length - 1}
						aria-label="{name} further down"
						onclick={() => move(parameter, 1)}><ChevronDownOutline class="size-5" /></Button
					>
				{/if}
			</li>
		{/each}
	</ol>
	{#if rows}<p class="mt-1">
			<Button kind="text" class="min-h-10" onclick={() => onrows(null)}>All, as usual</Button>
		</p>{/if}
</fieldset>
