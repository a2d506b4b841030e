<script lang="ts">
	import CorrectForm from '$lib/ui/log/CorrectForm.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>Correct a reading · {data.water.name} · Tevrik</title></svelte:head>
<CorrectForm
	id={data.id}
	keepId={data.keepId}
	waterId={data.water.id}
	doubt={data.doubt}
	logged={data.logged}
	byHeart={data.byHeart}
	said={data.said}
	kit={data.kit}
	photographs={data.photographs}
	voiceNotes={data.voiceNotes}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
	refused={form}
/>
