<script lang="ts">
	import ReaderChoice from '$lib/ui/account/ReaderChoice.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Who reads? · Tevrik</title></svelte:head>
<ReaderChoice
	place={data.place}
	readers={data.readers}
	readerId={data.readerId}
	asked={data.asked}
	back={data.back}
	refused={form}
/>
