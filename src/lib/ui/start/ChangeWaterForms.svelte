<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import { enhance } from '$app/forms';
	import { LONGEST_WATER_NAME } from '$lib/contract/lengths';
	import { civilDate, timeOfMinute, type Instant } from '$lib/core/time';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';
	import { lightsNow, volumeWords, type ShownWater } from './shown-water';
	import VolumeFields from './VolumeFields.svelte';
	import { WaterDraft } from './WaterDraft.svelte';

	interface Props {
		water: ShownWater;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { water, timeZone, now, refused }: Props = $props();

	const draft = untrack(() => new WaterDraft(refused?.entered));
	const light = $derived(lightsNow(water, now));
	const today = $derived(civilDate(now, timeZone));
	const time = (minute: number | null | undefined) => (minute == null ? '' : timeOfMinute(minute));
	const isOf = (change: string) => refused?.entered.change === change;
	const fault = (change: string, name: string) =>
		isOf(change) && (refused?.field === name || refused?.field.split('.').at(-1) === name)
			? refused.text
			: undefined;
	const entered = (change: string, name: string) => (isOf(change) ? refused?.entered[name] : undefined);
</script>

{#snippet form(change: string, title: string, press: string, fields: Snippet, dated: boolean)}
	<form method="post" action="?/change" use:enhance={sending} class="border-t py-4">
		<h3 class="font-semibold">{title}</h3>
		<Hidden name="id" value={entered(change, 'id') ?? water.changeId} />
		<Hidden name="waterId" value={water.id} />
		<Hidden name="change" value={change} />
		{#if isOf(change) && refused?.stray}<Fault text={refused.text} />{/if}
		<div class="mt-2 grid items-end gap-4 sm:grid-cols-2">
			{@render fields()}
			{#if dated}
				<WhenField
					name="fromAt"
					label="From"
					entered={entered(change, 'fromAt')}
					{timeZone}
					{now}
					fault={fault(change, 'fromAt')}
					help=""
				/>
			{/if}
		</div>
		<Button type="submit" class="mt-3">{press}</Button>
	</form>
{/snippet}

{#snippet name()}
	<Field
		name="name"
		label="You call it"
		value={entered('name', 'name') ?? water.name}
		maxlength={LONGEST_WATER_NAME}
		required
		fault={fault('name', 'name')}
	/>
{/snippet}
{#snippet volume()}
	<div class="sm:col-span-2">
		<VolumeFields {draft} fault={(n) => fault('volume', n)} known={water.netVolumeL !== null} />
	</div>
{/snippet}
{#snippet lights()}
	<div class="grid grid-cols-2 gap-4">
		<DateField
			name="lightsOn"
			label="Light on at"
			of="time"
			value={entered('lights', 'lightsOn') ?? time(light?.onMinute)}
			{today}
			fault={fault('lights', 'lightsOn')}
		/>
		<DateField
			name="lightsOff"
			label="and off at"
			of="time"
			value={entered('lights', 'lightsOff') ?? time(light?.offMinute)}
			{today}
			fault={fault('lights', 'lightsOff')}
		/>
	</div>
{/snippet}
{#snippet animals()}
	<Checkbox name="empty" checked={!water.hasAnimals} class="min-h-11 items-center"
		>Nothing lives in it</Checkbox
	>
{/snippet}
{#snippet nothing()}{/snippet}

<div class="max-w-[44rem] pb-2">
	{@render form('name', 'Name', 'Rename it', name, false)}
	{#if water.kind === 'tank' || water.kind === 'new-mix'}
		{@render form('volume', `Volume, now ${volumeWords(water)}`, 'Keep this volume', volume, true)}
	{/if}
	{#if water.kind === 'tank'}
		{@render form('lights', 'Light', 'Keep these hours', lights, true)}
		{@render form('animals', 'Animals', 'Keep this', animals, false)}
		<p class="border-t py-4">
			<a class="link" href="/waters/{water.id}/profiles">Its kind and stage, and the bands that follow</a>
		</p>
	{/if}
	{#if water.endedAt === null}
		{@render form('ended', 'Taken down', 'It was taken down', nothing, true)}
	{:else}
		{@render form('runs-again', 'Taken down', 'It runs again', nothing, false)}
	{/if}
</div>
