<script lang="ts">
	import { chime } from '$lib/client/sound';
	import { PLUNGER_SETTLES_S } from '$lib/core/method';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		now: number;
	}
	let { now }: Props = $props();

	let since = $state<number | null>(null);
	const leftS = $derived(
		since === null ? null : Math.max(0, Math.ceil(PLUNGER_SETTLES_S - (now - since) / 1000))
	);
	let rang = false;
	$effect(() => {
		const over = leftS === 0;
		if (over && !rang) chime();
		rang = over;
	});
</script>

<div class="mt-4 flex flex-wrap items-center gap-4">
	<Button kind="choice" onclick={() => (since = now)}>Drawn: let it catch up</Button>
	<span class="text-lg" role="status">
		{#if leftS === 0}
			<strong>Set the edge on the mark now.</strong>
		{:else if leftS !== null}
			<span class="figures text-3xl font-bold">{leftS} s</span>
		{/if}
	</span>
</div>
