<script lang="ts">
	import { page } from '$app/state';
	import type { SaidFaults } from '$lib/ui/kit/said-faults.svelte';
	import Fault from './Fault.svelte';

	let { said }: { said: SaidFaults } = $props();
	/** Why a form was refused, where its field is not on the page as it stands now. Read after all that may say it. */
	const unsaid = $derived.by(() => {
		const text = (page.form as { text?: string } | null)?.text ?? '';
		return text !== '' && !said.has(text) ? text : '';
	});
	const intoSight = (node: HTMLElement) => node.scrollIntoView({ block: 'center' });
</script>

{#if unsaid}
	<div class="page py-3!" {@attach intoSight}>
		<Fault text={unsaid} above last />
	</div>
{/if}
