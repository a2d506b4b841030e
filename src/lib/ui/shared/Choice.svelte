<script lang="ts">
	import Label from 'flowbite-svelte/Label.svelte';
	import Select from 'flowbite-svelte/Select.svelte';

	interface Props {
		name: string;
		label: string;
		items: readonly { readonly value: string; readonly name: string }[];
		value?: string;
		onchange?: (event: Event & { currentTarget: HTMLSelectElement }) => void;
	}
	let { name, label, items, value = $bindable(items[0]?.value ?? ''), onchange }: Props = $props();
	const id = $props.id();
</script>

<div>
	<Label for={id} class="mb-1 text-base font-semibold text-ink">{label}</Label>
	<Select
		{id}
		{name}
		bind:value
		{...onchange ? { onchange } : {}}
		placeholder=""
		items={[...items]}
		classes={{
			select: 'min-h-11 rounded-md border border-line-strong bg-surface px-3 text-base text-ink focus:ring-0'
		}}
	/>
</div>
