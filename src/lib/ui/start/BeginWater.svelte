<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { LONGEST_WATER_NAME } from '$lib/contract/lengths';
	import { civilDate, type Instant } from '$lib/core/time';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import OutsetPanel from './OutsetPanel.svelte';
	import StartFrame from '$lib/ui/shared/StartFrame.svelte';
	import TankFields from './TankFields.svelte';
	import { WaterDraft } from './WaterDraft.svelte';

	interface Props {
		id: string;
		now: Instant;
		units: Readonly<Record<ParameterId, UnitId>>;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { id, now, units, refused }: Props = $props();

	const draft = untrack(() => new WaterDraft(refused?.entered));
	const fault = (name: string) =>
		refused?.field === name || refused?.field.split('.').at(-1) === name ? refused.text : undefined;
	const entered = (name: string) => refused?.entered[name] ?? '';
	const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
	const outset = $derived(draft.outsetAt(now));
	const today = $derived(civilDate(now, timeZone));
</script>

<StartFrame about="your first water" step={2} demo>
	<h1 class="text-3xl lg:text-4xl">What is in it, and how much?</h1>
	<form method="post" use:enhance={sending} class="mt-6 grid gap-6">
		<Hidden name="id" value={entered('id') || id} />
		<Hidden name="timeZone" value={timeZone} />
		{#if refused?.stray}<Fault text={refused.text} above />{/if}
		<Field
			name="name"
			label="You call it"
			value={entered('name')}
			maxlength={LONGEST_WATER_NAME}
			required
			large
			class="max-w-[28rem]"
			fault={fault('name')}
		/>
		<TankFields {draft} {entered} {fault} {today} />
		<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
			<Button type="submit" kind="primary" size="large">Go on: what do you test with?</Button>
			<span class="small text-muted">Not sure? Leave it: it is asked when it matters.</span>
		</div>
	</form>
	{#snippet beside()}<OutsetPanel {outset} {units} />{/snippet}
</StartFrame>
