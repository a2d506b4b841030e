<script lang="ts">
	import Fileupload from 'flowbite-svelte/Fileupload.svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';
	import FieldFrame from './FieldFrame.svelte';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color' | 'class' | 'files' | 'onchange'> {
		label: string;
		bare?: boolean;
		help?: string;
		fault?: string | undefined;
		class?: string;
		/** The first that was chosen; the field is emptied where it answers false. */
		onfile?: (file: File) => boolean | undefined | Promise<boolean | undefined>;
	}
	let { label, bare = false, help = '', fault, class: extra = '', onfile, ...rest }: Props = $props();

	async function chosen(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const field = event.currentTarget;
		const [file] = field.files ?? [];
		if (file && (await onfile?.(file)) === false) field.value = '';
	}
</script>

<FieldFrame {label} {bare} {help} {fault} class={extra}>
	{#snippet children({ class: _look, ...control })}
		<Fileupload {...rest as Record<string, unknown>} {...control} onchange={chosen} />
	{/snippet}
</FieldFrame>
