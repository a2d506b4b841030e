<script lang="ts">
	import AccountForm from '$lib/ui/start/AccountForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Begin · Tevrik</title></svelte:head>
<AccountForm stands={data.stands} refused={form} />
