<script lang="ts">
	import type { Outbox } from '$lib/client/outbox.svelte';
	import { faultText } from '$lib/format/faults/faults';
	import Button from '$lib/ui/kit/Button.svelte';

	/** What the server did not take, and what can be done about it. */
	let { outbox }: { outbox: Outbox } = $props();
</script>

{#each outbox.refused as { item, fault } (item.id)}
	<div class="border-b">
		<p class="page flex flex-wrap items-center gap-3 py-3!" role="alert">
			<span class="grow"
				><strong class="text-warn">{item.label} was not taken.</strong>
				{faultText(fault)} It is kept here.</span
			>
			{#if fault.code === 'in-the-future' && fault.details?.minutes !== undefined}
				{@const minutes = Number(fault.details.minutes)}
				<Button onclick={() => void outbox.putRight(item.id, minutes)}
					>Put right by {minutes} {minutes === 1 ? 'minute' : 'minutes'}</Button
				>
			{:else}
				<Button onclick={() => void outbox.tryAgain(item.id)}>Send it again</Button>
			{/if}
			<Button kind="quiet" onclick={() => void outbox.forget(item.id)}>Throw it away</Button>
		</p>
	</div>
{/each}
