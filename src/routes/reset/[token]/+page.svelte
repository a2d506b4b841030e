<script lang="ts">
	import ResetForm from '$lib/ui/account/ResetForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A new password · Tevrik</title></svelte:head>
<ResetForm stands={data.stands} refused={form} />
