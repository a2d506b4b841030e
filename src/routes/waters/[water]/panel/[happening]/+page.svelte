<script lang="ts">
	import { PANEL_TITLES } from '$lib/format/judgement/panel';
	import PanelView from '$lib/ui/judgement/PanelView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{PANEL_TITLES[data.panel.happening]} · {data.water.name} · Tevrik</title></svelte:head>
<PanelView
	waterId={data.water.id}
	panel={data.panel}
	units={data.preferences.units}
	timeZone={data.timeZone}
	now={data.now}
/>
