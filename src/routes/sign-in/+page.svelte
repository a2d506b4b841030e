<script lang="ts">
	import SignInForm from '$lib/ui/start/SignInForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Sign in · Tevrik</title></svelte:head>
<SignInForm nobody={data.nobody} back={data.back} refused={form} />
