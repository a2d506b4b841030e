<script lang="ts">
	import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { whyDue } from '$lib/format/bench/bench';
	import { shortDay } from '$lib/format/date';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import type { ChooseState } from './ChooseState.svelte';
	import type { Proposal } from './propose';

	interface Props {
		choosing: ChooseState;
		proposal: Proposal;
		/** What is on the shelf to test with; nothing is said where nothing is kept there at all. */
		kits: readonly { readonly parameters?: readonly ParameterId[] }[];
		timeZone: string;
		now: Instant;
	}
	let { choosing, proposal, kits, timeZone, now }: Props = $props();

	const name = $derived(PARAMETERS[proposal.due.parameter].name);
	const lacksKit = $derived(
		kits.length > 0 && !kits.some((k) => k.parameters?.includes(proposal.due.parameter) ?? true)
	);
	const TIMES = [
		{ value: '1', name: 'once' },
		{ value: '2', name: 'twice' },
		{ value: '3', name: '3 times' }
	];
</script>

<Checkbox
	checked={choosing.isOn(proposal)}
	class="min-w-0"
	large
	onchange={(e) => choosing.tick(proposal, e.currentTarget.checked)}
>
	<strong class="text-lg">{name}</strong>
	<span class="small block text-muted"
		>{whyDue(proposal.due)}{proposal.isDue
			? ''
			: `, so on ${shortDay(proposal.due.dueAt, timeZone, now)}`}.</span
	>
	{#if lacksKit}<span class="small block font-semibold">No kit for it is on the shelf.</span>{/if}
</Checkbox>
{#if choosing.isOn(proposal)}
	<div class="mt-2 flex gap-2 pl-9">
		<Choice
			label="Method for {name}"
			bare
			class="min-w-0 grow"
			value={choosing.offerOf(proposal).method.code}
			items={proposal.offers.map((o) => ({ value: o.method.code, name: o.method.name }))}
			onpick={(code) => choosing.takeMethod(proposal, code)}
		/>
		<Choice
			label="How often {name} is tested"
			bare
			class="w-28 shrink-0"
			value={String(choosing.timesOf(proposal))}
			items={TIMES}
			onpick={(times) => choosing.repeat(proposal, Number(times))}
		/>
	</div>
{/if}
