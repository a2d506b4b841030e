<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What one is about, beside the name. */
		about: string;
		/** Which of the three screens. */
		step?: number;
		/** The made-up world can be looked at from here. */
		demo?: boolean;
		children: Snippet;
		/** What follows from it, beside. */
		beside?: Snippet;
	}
	let { about, step, demo = false, children, beside }: Props = $props();
	const STEPS = 3;
</script>

<div class="frame">
	<header class="border-b bg-paper">
		<div class="flex items-stretch gap-x-6 px-4 lg:px-8">
			<a href="/" class="flex min-h-13 items-center text-xl font-bold tracking-tight">Tevrik</a>
			<span class="flex items-center border-l pl-6 text-muted">{about}</span>
			{#if step}<span class="small figures ml-auto flex items-center gap-x-4 text-muted"
					>{step} of {STEPS}{#if demo}<a class="link max-sm:hidden" href="/begin/demo"
							>look at the demo instead</a
						>{/if}</span
				>{/if}
		</div>
	</header>
	<div class="grid grow {beside ? 'lg:grid-cols-[minmax(0,1fr)_26.25rem]' : ''}">
		<main class="px-4 py-7 lg:px-16 lg:py-8">
			<div class="max-w-[46rem]">{@render children()}</div>
		</main>
		{#if beside}
			<aside
				class="border-t bg-paper px-4 py-7 lg:border-t-0 lg:border-l lg:px-9 lg:py-11"
				aria-label="What follows from it"
			>
				{@render beside()}
			</aside>
		{/if}
	</div>
</div>
