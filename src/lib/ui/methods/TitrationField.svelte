<script lang="ts">
	import Field from '$lib/ui/kit/Field.svelte';
	import type { TitrationField } from './draft/method-text';
	import type { TitrationPart } from './MethodDraft.svelte';

	interface Props {
		part: TitrationPart;
		name: TitrationField;
		label: string;
		unit?: string;
		help?: string;
		words?: boolean;
	}
	let { part, name, label, unit = '', help = '', words = false }: Props = $props();
</script>

<Field
	name="{part.path}{name}"
	{label}
	{unit}
	{help}
	inputmode={words ? 'text' : 'decimal'}
	maxlength={words ? 60 : 40}
	value={part.text[name]}
	fault={part.faultOf(name)}
	oninput={(e) => part.set({ [name]: e.currentTarget.value })}
/>
