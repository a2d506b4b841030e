<script lang="ts">
	import PeopleView from '$lib/ui/people/PeopleView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>People · Tevrik</title></svelte:head>
<PeopleView
	people={data.people}
	site={data.site}
	id={data.id}
	takesAccounts={data.takesAccounts}
	atPlace={data.atPlace}
	timeZone={data.timeZone}
	now={data.now}
	answer={form}
/>
