<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { send } from '$lib/client/api';
	import { localStore, outgoingStore } from '$lib/client/local-store';
	import { Outbox, RETRY_MS } from '$lib/client/outbox.svelte';
	import { BenchDesk } from './BenchDesk.svelte';
	import { clockOf, setBenchDesk, setOutbox } from './context';

	let { children }: { children: Snippet } = $props();

	/** Timers move four times a second. */
	const TICK_MS = 250;

	const desk = new BenchDesk(clockOf(), localStore);
	const outbox = new Outbox(outgoingStore, send);
	setBenchDesk(desk);
	setOutbox(outbox);

	onMount(() => {
		void desk.open();
		void outbox.open();
		const ticking = setInterval(() => desk.tick(), TICK_MS);
		const retrying = setInterval(() => {
			if (outbox.waiting.length > 0) void outbox.flush();
		}, RETRY_MS);
		return () => {
			clearInterval(ticking);
			clearInterval(retrying);
		};
	});
	function awake(): void {
		if (document.visibilityState === 'visible') desk.tick();
	}
</script>

<svelte:window ononline={() => void outbox.flush()} />
<svelte:document onvisibilitychange={awake} />
{@render children()}
