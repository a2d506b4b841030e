<script lang="ts">
	import AccountView from '$lib/ui/account/AccountView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Your account · Tevrik</title></svelte:head>
<AccountView
	account={data.account}
	takesPasskeys={data.takesPasskeys ?? false}
	isDemo={data.isDemo}
	now={data.now}
	answer={form}
/>
