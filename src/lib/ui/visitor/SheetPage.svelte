<script lang="ts">
	import type { SheetWords } from '$lib/contract/sheet';
	import PrintButton from '$lib/ui/kit/PrintButton.svelte';
	import SheetPaper from './SheetPaper.svelte';

	let { sheet }: { sheet: SheetWords } = $props();
</script>

<div class="frame">
	<header class="border-b bg-paper print:hidden">
		<div class="mx-auto flex max-w-[56rem] flex-wrap items-center gap-x-6 px-4 py-2 lg:px-8">
			<span class="text-xl font-bold tracking-tight">Tevrik</span>
			<span class="text-muted">a sheet for you</span>
			<span class="ml-auto"><PrintButton /></span>
		</div>
	</header>
	<main class="mx-auto w-full max-w-[56rem] px-4 py-7 lg:px-8 print:p-0"><SheetPaper {sheet} /></main>
</div>
