<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { WATER_KINDS } from '$lib/contract/choices';
	import { LONGEST_WATER_NAME } from '$lib/contract/lengths';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { civilDate, type Instant } from '$lib/core/time';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Tiles from '$lib/ui/kit/Tiles.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import OutsetPanel from './OutsetPanel.svelte';
	import { KIND_WORDS } from './shown-water';
	import TankFields from './TankFields.svelte';
	import VolumeFields from './VolumeFields.svelte';
	import { WaterDraft } from './WaterDraft.svelte';

	interface Props {
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { id, units, timeZone, now, refused }: Props = $props();

	const draft = untrack(() => new WaterDraft(refused?.entered));
	let kind = $state(untrack(() => refused?.entered.kind || 'tank'));
	const fault = (name: string) =>
		refused?.field === name || refused?.field.split('.').at(-1) === name ? refused.text : undefined;
	const entered = (name: string) => refused?.entered[name] ?? '';
	const outset = $derived(kind === 'tank' ? draft.outsetAt(now) : null);
	const today = $derived(civilDate(now, timeZone));
</script>

<div class="mt-3 grid gap-x-12 gap-y-8 {kind === 'tank' ? 'lg:grid-cols-[1fr_18rem]' : ''}">
	<form method="post" action="?/add" use:enhance={sending} class="grid max-w-[44rem] gap-6">
		<Hidden name="id" value={entered('id') || id} />
		{#if refused?.stray}<Fault text={refused.text} above />{/if}
		<Field
			name="name"
			label="You call it"
			value={entered('name')}
			maxlength={LONGEST_WATER_NAME}
			required
			class="max-w-[28rem]"
			fault={fault('name')}
		/>
		<Tiles
			name="kind"
			label="It is a"
			items={WATER_KINDS.map((value) => ({ value, name: KIND_WORDS[value] }))}
			bind:chosen={kind}
		/>
		{#if kind === 'tank'}
			<TankFields {draft} {entered} {fault} {today} />
		{:else if kind === 'new-mix'}
			<div><VolumeFields {draft} {fault} /></div>
		{/if}
		<div><Button type="submit" kind="primary">Add it</Button></div>
	</form>
	{#if kind === 'tank'}<div><OutsetPanel {outset} {units} /></div>{/if}
</div>
