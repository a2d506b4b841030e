<script lang="ts">
	import PaginationNav from 'flowbite-svelte/PaginationNav.svelte';

	interface Props {
		/** What is paged through. */
		label: string;
		/** From 1. */
		page?: number;
		pages: number;
		onpage?: (page: number) => void;
	}
	let { label, page = $bindable(1), pages, onpage }: Props = $props();
</script>

{#if pages > 1}
	<PaginationNav
		ariaLabel={label}
		currentPage={page}
		totalPages={pages}
		previousLabel="Before"
		nextLabel="After"
		onPageChange={(to: number) => {
			page = to;
			onpage?.(to);
		}}
	/>
{/if}
