<script lang="ts">
	import AccountForm from '$lib/ui/account/AccountForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Begin · Tevrik</title></svelte:head>
<AccountForm stands={data.stands} refused={form} />
