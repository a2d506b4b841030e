<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import type { KeptBeside } from './kept-beside.svelte';

	interface Props {
		beside: KeptBeside;
		id: string;
		/** Which of them, in words. */
		what: string;
	}
	let { beside, id, what }: Props = $props();
</script>

{#if beside.asked === id}
	<p class="small mt-1 max-w-[14rem]">
		It is shown no more, and its bytes are removed from the server.
		<Button kind="text" class="min-h-11 font-semibold" onclick={() => void beside.takeBack(id)}
			>Take it back</Button
		>
		<Button kind="text" class="min-h-11" onclick={() => (beside.asked = '')}>Keep it</Button>
	</p>
{:else}
	<Button kind="text" class="small min-h-11" onclick={() => (beside.asked = id)}>Take back {what}</Button>
{/if}
