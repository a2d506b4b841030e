<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import { correctionFields } from '$lib/contract/correction';
	import { LONGEST } from '$lib/contract/lengths';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import CorrectionFields from './CorrectionFields.svelte';
	import type { Entry } from './entry';

	interface Props {
		entry: Extract<Entry, { type: 'reading' }>;
		base: string;
		/** Of the correction, so that sending it twice keeps it once. */
		id: string;
		onclose: () => void;
	}
	let { entry, base, id, onclose }: Props = $props();

	const fields = $derived(correctionFields(entry.method, entry.reading));
	let entered = $state<Record<string, string>>(
		untrack(() => Object.fromEntries(fields.map((f) => [f.name, f.value])))
	);
	let reason = $state('');
	let refused = $state<{ readonly field: string; readonly text: string } | null>(null);
	let sending = $state(false);
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<form
	method="post"
	action="{base}/log/{entry.readingId}?/correct"
	class="grid max-w-[44rem] gap-4 border-l-4 border-ink py-3 pl-4"
	onkeydown={(e) => e.key === 'Escape' && onclose()}
	use:enhance={({ cancel }) => {
		if (sending) return cancel();
		sending = true;
		return async ({ result }) => {
			sending = false;
			if (result.type === 'redirect' || result.type === 'success') {
				await invalidateAll();
				onclose();
			} else if (result.type === 'failure') {
				refused = {
					field: String(result.data?.field ?? ''),
					text: String(result.data?.text ?? 'This could not be kept.')
				};
			} else {
				refused = {
					field: '',
					text: 'The server did not answer as expected. Nothing is lost: save it again.'
				};
			}
		};
	}}
>
	<Hidden name="id" value={id} />
	<Hidden name="slip" value="" />
	{#if refused && refused.field !== 'reason'}<Fault text={refused.text} />{/if}
	<CorrectionFields
		method={entry.method}
		{fields}
		{entered}
		onset={(name, value) => (entered = { ...entered, [name]: value })}
	/>
	<Field
		name="reason"
		label="Why is it corrected?"
		maxlength={LONGEST.reason}
		bind:value={reason}
		fault={refused?.field === 'reason' ? refused.text : undefined}
	/>
	<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
		<Button kind="primary" type="submit" disabled={sending}
			>{sending ? 'Saving …' : 'Save the correction'}</Button
		>
		<Button onclick={onclose}>Leave it as it is</Button>
		<a class="link small" href="{base}/log/{entry.readingId}">With its reckoning and photographs</a>
	</div>
</form>
