<script lang="ts">
	import Field from '$lib/ui/kit/Field.svelte';
	import type { TextField } from './draft/method-text';
	import type { MethodDraft } from './MethodDraft.svelte';

	interface Props {
		draft: MethodDraft;
		name: TextField;
		label: string;
		unit?: string;
		help?: string;
		/** Words are typed, not a number. */
		words?: boolean;
	}
	let { draft, name, label, unit = '', help = '', words = false }: Props = $props();
</script>

<Field
	{name}
	{label}
	{unit}
	{help}
	inputmode={words ? 'text' : 'decimal'}
	maxlength={words ? 120 : 40}
	value={draft.text[name]}
	fault={draft.faultOf(name)}
	oninput={(e) => draft.set({ [name]: e.currentTarget.value })}
/>
