<script lang="ts">
	import Toast from 'flowbite-svelte/Toast.svelte';
	import Button from './Button.svelte';
	import type { Toasts } from './toasts.svelte';

	let { toasts }: { toasts: Toasts } = $props();
</script>

<div
	role="status"
	aria-live="polite"
	class="pointer-events-none fixed inset-x-4 bottom-4 z-40 grid justify-items-end gap-2 sm:left-auto sm:w-96"
>
	{#each toasts.all as told (told.id)}
		<Toast role="group" dismissable={false} params={{ duration: 0 }} class="pointer-events-auto">
			<div class="flex flex-wrap items-baseline justify-between gap-x-4">
				<span class="min-w-0">{told.text}</span>
				<span class="flex gap-4">
					{#if told.action}
						{@const { word, press } = told.action}
						<Button
							kind="text"
							class="min-h-10 font-semibold"
							onclick={() => {
								press();
								toasts.dismiss(told.id);
							}}>{word}</Button
						>
					{/if}
					<Button kind="text" class="min-h-10" onclick={() => toasts.dismiss(told.id)}>Close</Button>
				</span>
			</div>
		</Toast>
	{/each}
</div>
