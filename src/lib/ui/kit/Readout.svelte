<script lang="ts">
	import Input from 'flowbite-svelte/Input.svelte';
	import Label from 'flowbite-svelte/Label.svelte';

	interface Props {
		label: string;
		value: string;
		unit: string;
		/** As large as a reading on the bench is. */
		size?: 'largest' | 'large' | 'normal';
		/** The label's weight: what is asked for stands out. */
		strong?: boolean;
		muted?: boolean;
		placeholder?: string;
		help?: string;
		/** Given what was typed; what it does not take gives way to what stands. */
		onenter: (typed: string) => void;
	}
	let {
		label,
		value,
		unit,
		size = 'normal',
		strong = false,
		muted = false,
		placeholder = '–',
		help = '',
		onenter
	}: Props = $props();
	const id = $props.id();

	const SIZE = { largest: 'w-full text-6xl', large: 'w-full text-4xl', normal: 'w-28 text-2xl' };

	function enter(event: Event & { currentTarget: HTMLInputElement }): void {
		onenter(event.currentTarget.value);
		event.currentTarget.value = value;
	}
</script>

<div>
	<Label for={id} class="small block {strong ? 'font-semibold' : 'text-muted'}">{label}</Label>
	<div class="flex items-baseline gap-2">
		<Input
			{id}
			type="text"
			inputmode="decimal"
			autocomplete="off"
			{value}
			onchange={enter}
			{placeholder}
			class="figures min-w-0 border-0 border-b-2 border-line-strong bg-transparent px-0 py-1 font-bold placeholder:text-line-strong {SIZE[
				size
			]} {muted ? 'text-muted' : 'text-ink'}"
		/>
		<span class="shrink-0 text-muted">{unit}</span>
	</div>
	{#if help}<p class="small text-muted">{help}</p>{/if}
</div>
