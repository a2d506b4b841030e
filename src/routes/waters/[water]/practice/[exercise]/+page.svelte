<script lang="ts">
	import { idMaker } from '$lib/client/ids';
	import CountView from '$lib/ui/practice/CountView.svelte';
	import EndPointView from '$lib/ui/practice/EndPointView.svelte';
	import OddOneView from '$lib/ui/practice/OddOneView.svelte';
	import ScaleView from '$lib/ui/practice/ScaleView.svelte';
	import ScoopView from '$lib/ui/practice/ScoopView.svelte';
	import StepsView from '$lib/ui/practice/StepsView.svelte';
	import TimeView from '$lib/ui/practice/TimeView.svelte';
	import { clockOf } from '$lib/ui/shared/context';

	let { data } = $props();
	const newId = idMaker(clockOf());
	const common = $derived({
		waterId: data.water.id,
		practice: data.practice,
		newId,
		units: data.preferences.units,
		timeZone: data.timeZone,
		now: data.now
	});
</script>

<svelte:head><title>Practice · {data.water.name} · Tevrik</title></svelte:head>
{#if data.exercise === 'end-point' && data.method}
	{#key `${data.method.code}/${data.which}/${data.mode}`}
		<EndPointView {...common} method={data.method} which={data.which} mode={data.mode} />
	{/key}
{:else if data.exercise === 'steps' && data.method && 'colourSteps' in data.method}
	{#key data.method.code}<StepsView {...common} method={data.method} />{/key}
{:else if data.exercise === 'scale'}
	{#key data.scale}<ScaleView {...common} scale={data.scale} />{/key}
{:else if data.exercise === 'count'}
	<CountView {...common} />
{:else if data.exercise === 'time'}
	<TimeView {...common} />
{:else if data.exercise === 'scoop'}
	<ScoopView {...common} />
{:else}
	<OddOneView {...common} />
{/if}
