<script lang="ts">
	import ProfilesView from '$lib/ui/targets/ProfilesView.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Profiles of your own · Tevrik</title></svelte:head>
{#key data.edited}
	<ProfilesView
		water={data.water}
		profiles={data.profiles}
		source={data.source}
		targets={data.targets}
		edited={data.edited}
		id={data.id}
		units={data.preferences.units}
		now={data.now}
		refused={form}
	/>
{/key}
