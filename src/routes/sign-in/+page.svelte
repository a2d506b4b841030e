<script lang="ts">
	import SignInForm from '$lib/ui/account/SignInForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Sign in · Tevrik</title></svelte:head>
<SignInForm
	nobody={data.nobody}
	back={data.back}
	chosen={data.chosen}
	gone={data.gone}
	isDemo={data.isDemo}
	refused={form}
/>
