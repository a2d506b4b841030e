<script lang="ts">
	import { page } from '$app/state';
	import JoinView from '$lib/ui/account/JoinView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>An invitation · Tevrik</title></svelte:head>
<JoinView
	invitation={data.invitation}
	over={data.over}
	signedInAs={data.signedInAs}
	path={page.url.pathname}
	now={data.now}
	refused={form}
/>
