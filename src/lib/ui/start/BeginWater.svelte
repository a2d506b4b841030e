<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { LONGEST_WATER_NAME } from '$lib/contract/water';
	import { addDays, civilDate, type Instant } from '$lib/core/time';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { PROFILE_PLAIN, RUNS } from '$lib/format/outset';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Tiles from '$lib/ui/kit/Tiles.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import OutsetPanel from './OutsetPanel.svelte';
	import StartFrame from './StartFrame.svelte';
	import VolumeFields from './VolumeFields.svelte';
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
	const days = $derived(RUNS.find((r) => r.value === draft.runs)?.days);
	const outset = $derived(
		draft.known && {
			profile: draft.known,
			startedAt: days === undefined ? now : addDays(now, -days),
			animals: !draft.empty,
			now
		}
	);
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
		<div>
			<Tiles name="profile" label="It is" items={PROFILE_PLAIN} bind:chosen={draft.profile} />
			{#if draft.profile === 'cycling'}
				<Checkbox name="empty" bind:checked={draft.empty} class="mt-2 min-h-11 items-center"
					>Nothing lives in it yet</Checkbox
				>
			{/if}
		</div>
		<div><VolumeFields {draft} {fault} /></div>
		<div class="grid gap-x-4 gap-y-5 sm:grid-cols-[1fr_9rem_9rem]">
			<Choice
				name="runs"
				label="Runs since"
				items={[{ value: '', name: 'not said' }, ...RUNS]}
				bind:value={draft.runs}
				fault={fault('runs')}
			/>
			<DateField
				name="lightsOn"
				label="Light on at"
				of="time"
				value={entered('lightsOn')}
				{today}
				fault={fault('lightsOn')}
			/>
			<DateField
				name="lightsOff"
				label="and off at"
				of="time"
				value={entered('lightsOff')}
				{today}
				fault={fault('lightsOff')}
			/>
		</div>
		<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
			<Button type="submit" kind="primary" size="large">Go on: what do you test with?</Button>
			<span class="small text-muted">Not sure of something? Leave it, it is asked when it matters.</span>
		</div>
	</form>
	{#snippet beside()}<OutsetPanel {outset} {units} />{/snippet}
</StartFrame>
