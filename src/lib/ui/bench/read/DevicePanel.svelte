<script lang="ts">
	import { untrack } from 'svelte';
	import { MISHAPS, type Mishap } from '$lib/device/simulated-photometer';
	import { faultText } from '$lib/format/faults/faults';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
	import type { DeviceDesk } from './DeviceDesk.svelte';

	interface Props {
		desk: BenchDesk;
		device: DeviceDesk;
		/** At the step that sets the zero, or at the one that reads. */
		at: 'blank' | 'read';
		onread?: (read: { shown: number; temperatureC: number | null }) => void;
		/** The zero is set: the step is done. */
		onzero?: () => void;
	}
	let { desk, device, at, onread, onzero }: Props = $props();

	const MISHAP_NAMES: Readonly<Record<Mishap, string>> = {
		none: 'work as it should',
		'not-there': 'not answer',
		lost: 'lose its connection',
		nonsense: 'send nonsense',
		dirty: 'have a dirty cuvette'
	};
	/** Whoever reads a display with their own eyes needs nothing of it; once connected it stays open. */
	let open = $state(untrack(() => device.connected));
	let said = $state('');
	// The desk ticks four times a second; a lamp warms up by the same clock.
	const warming = $derived(desk.now >= 0 && device.connected ? device.warmUpLeftS() : 0);
	const status = $derived(
		!device.connected
			? 'not connected'
			: warming > 0
				? `warming up, ${warming} s`
				: device.kind === 'photometer'
					? device.zeroed
						? 'zero is set'
						: 'ready for its zero'
					: 'in the water'
	);

	async function setZero(): Promise<void> {
		await device.setZero();
		if (device.zeroed) onzero?.();
	}
	async function read(): Promise<void> {
		const found = await device.read();
		if (!found) return;
		said = found.settled ? '' : 'It is still moving. Wait until it rests, then read again.';
		onread?.(found);
	}
</script>

<Disclosure
	bind:open
	aria-label={device.name}
	class="mt-6 max-w-[38rem] border border-line-strong bg-paper px-4 open:pb-4"
	look="min-h-12 py-3"
	>{#snippet title()}<strong>{device.name}</strong>
		<span class="figures small pl-2 text-muted" role="status">{status}</span>{/snippet}
	{#if device.simulated}
		<p class="small text-muted">
			No device is behind it: it shows about what is expected of the water. Its readings are for practice.
		</p>
	{/if}
	<div class="mt-3 flex flex-wrap gap-3">
		{#if !device.connected}
			<Button size="large" onclick={() => device.connect()}>Connect</Button>
		{:else if device.kind === 'photometer' && (at === 'blank' || !device.zeroed)}
			<Button size="large" onclick={setZero}>Set its zero</Button>
		{/if}
		{#if device.connected && at === 'read'}<Button size="large" onclick={read}>Read it</Button>{/if}
	</div>
	{#if device.fault}<p role="alert" class="mt-3 font-semibold text-warn">{faultText(device.fault)}</p>{/if}
	{#if said}<p class="mt-3" role="status">{said}</p>{/if}
	{#if device.simulated}
		<Choice
			label="Let it"
			quiet
			class="mt-3 max-w-72"
			bind:value={device.mishap}
			items={MISHAPS.map((m) => ({ value: m, name: MISHAP_NAMES[m] }))}
		/>
	{/if}
</Disclosure>
