<script lang="ts">
	import PurifiedNotice from '$lib/ui/shared/PurifiedNotice.svelte';
	import { civilDate } from '$lib/core/time';
	import ChangeView from '$lib/ui/adjust/ChangeView.svelte';
	import VolumeUnknown from '$lib/ui/adjust/VolumeUnknown.svelte';

	let { data, form } = $props();
</script>

<svelte:head><title>A water change · {data.water.name} · Tevrik</title></svelte:head>
{#if data.given && data.wish && data.answer}
	{#key data.water.id}
		<ChangeView
			waterId={data.water.id}
			given={data.given}
			batches={data.batches}
			bands={data.bands}
			asked={{ wish: data.wish, wrong: data.wrong, target: data.target, typed: data.typed }}
			answer={data.answer}
			neglected={data.neglected}
			id={data.id}
			day={civilDate(data.now, data.timeZone)}
			units={data.preferences.units}
			fault={form?.text ?? ''}
		/>
	{/key}
{:else}
	<VolumeUnknown title="A water change" what="a change cannot be reckoned" waterId={data.water.id} />
{/if}
<PurifiedNotice waterId={data.water.id} purified={data.purified} timeZone={data.timeZone} now={data.now} />
