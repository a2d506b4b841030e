<script lang="ts">
	import SupplementsView from '$lib/ui/adjust/SupplementsView.svelte';

	let { data, form } = $props();
	const wrong = $derived(
		form?.text === undefined ? null : { entered: form.entered, field: form.field, text: form.text }
	);
	const saved = $derived(form?.saved === true);
</script>

<svelte:head><title>Salts and products · {data.water.name} · Tevrik</title></svelte:head>
<SupplementsView
	waterId={data.water.id}
	volumeL={data.water.netVolumeL}
	supplements={data.supplements}
	levels={data.levels}
	units={data.preferences.units}
	id={data.id}
	form={wrong}
	{saved}
/>
