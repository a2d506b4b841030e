<script lang="ts">
	import ForgotForm from '$lib/ui/account/ForgotForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A forgotten password · Tevrik</title></svelte:head>
<ForgotForm
	sendsMail={data.sendsMail}
	asked={form?.asked === true}
	refused={form?.text === undefined ? null : form}
/>
