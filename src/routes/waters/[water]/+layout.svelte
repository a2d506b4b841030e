<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import { knowZone } from '$lib/core/time';
	import type { WaterLine } from '$lib/contract/today';
	import type { LeftOut } from '$lib/core/judgement/water';
	import { SaidFaults, setSaidFaults } from '$lib/ui/kit/said-faults.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';
	import PlaceBar from '$lib/ui/account/PlaceBar.svelte';
	import AskNotice from '$lib/ui/shared/AskNotice.svelte';
	import BenchRoom from '$lib/ui/shared/BenchRoom.svelte';
	import DangerNotice from '$lib/ui/shared/DangerNotice.svelte';
	import EndedNotice from '$lib/ui/shared/EndedNotice.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import Footer from '$lib/ui/shared/Footer.svelte';
	import Header from '$lib/ui/shared/Header.svelte';
	import LeftOutNotice from '$lib/ui/shared/LeftOutNotice.svelte';
	import MadeUpNotice from '$lib/ui/shared/MadeUpNotice.svelte';
	import GuestNotice from '$lib/ui/shared/GuestNotice.svelte';
	import OnlyLook from '$lib/ui/access/OnlyLook.svelte';
	import UnsaidFault from '$lib/ui/shared/UnsaidFault.svelte';
	import VolumeNotice from '$lib/ui/shared/VolumeNotice.svelte';

	let { data, children } = $props();
	// Before anything names a day.
	untrack(() => knowZone(data.timeZone, data.zone));

	const said = new SaidFaults();
	setSaidFaults(said);

	/** What a form was refused for that has no field of its own on the page. */
	const stray = $derived.by(() => {
		const form = page.form as { stray?: boolean; text?: string } | null;
		return form?.stray ? (form.text ?? '') : '';
	});
	/** What the page reckoned without, where it reckons. */
	const leftOut = $derived((page.data as { leftOut?: readonly LeftOut[] }).leftOut ?? []);
	/** Views that rest on what is wanted of a water. */
	const JUDGING: ReadonlySet<string> = new Set(['today', 'adjust', 'testing', 'targets', 'findings']);
	const view = $derived(page.url.pathname.split('/')[3] ?? 'today');
</script>

<BenchRoom>
	<div class="frame">
		<Late
			><Header
				water={data.water}
				siblings={data.siblings}
				{view}
				preferences={data.preferences}
				path={page.url.pathname + page.url.search}
				lines={(page.data as { lines?: readonly WaterLine[] }).lines ?? []}
				timeZone={data.timeZone}
				now={data.now}
			/></Late
		>
		{#if data.place}<PlaceBar
				place={data.place}
				readers={data.readers}
				path={page.url.pathname + page.url.search}
			/>{/if}
		{#if data.madeUp}<MadeUpNotice />{/if}
		{#if data.water.endedAt !== null}<EndedNotice
				water={data.water}
				timeZone={data.timeZone}
				now={data.now}
			/>{/if}
		{#if data.water.guestUntil !== null}<GuestNotice
				water={data.water}
				timeZone={data.timeZone}
				now={data.now}
			/>{/if}
		{#if data.asksKind && JUDGING.has(view)}
			<AskNotice waterId={data.water.id} id={data.askId} back={page.url.pathname + page.url.search} />
		{:else if data.asksVolume && view === 'adjust'}
			<VolumeNotice waterId={data.water.id} />
		{/if}
		{#if stray}<div class="page py-3!"><Fault text={stray} above /></div>{/if}
		<DangerNotice dangers={data.dangers} waterId={data.water.id} />
		<LeftOutNotice
			{leftOut}
			waterId={data.water.id}
			units={data.preferences.units}
			timeZone={data.timeZone}
			now={data.now}
		/>
		<OnlyLook>{@render children()}</OnlyLook>
		<UnsaidFault {said} />
		<Late
			><Footer
				preferences={data.preferences}
				waterId={data.water.id}
				path={page.url.pathname + page.url.search}
				account={data.account}
				isDemo={data.isDemo}
				atPlace={data.place !== null}
			/></Late
		>
	</div>
</BenchRoom>
