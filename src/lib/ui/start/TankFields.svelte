<script lang="ts">
	import type { CivilDate } from '$lib/core/time';
	import { RUNS } from '$lib/format/start/outset';
	import { PROFILE_PLAIN } from '$lib/format/start/profile-plain';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Tiles from '$lib/ui/kit/Tiles.svelte';
	import VolumeFields from './VolumeFields.svelte';
	import type { WaterDraft } from './WaterDraft.svelte';

	interface Props {
		draft: WaterDraft;
		/** What was sent and refused, by its field. */
		entered: (name: string) => string;
		fault: (name: string) => string | undefined;
		today: CivilDate;
	}
	let { draft, entered, fault, today }: Props = $props();
	const LIGHTS = [
		['lightsOn', 'Light on at'],
		['lightsOff', 'and off at']
	] as const;
</script>

<div>
	<Tiles name="profile" label="It is" items={PROFILE_PLAIN} bind:chosen={draft.profile} />
	<Checkbox name="empty" bind:checked={draft.empty} class="mt-2 min-h-11 items-center"
		>Nothing lives in it yet</Checkbox
	>
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
	{#each LIGHTS as [name, label] (name)}
		<DateField {name} {label} of="time" value={entered(name)} {today} fault={fault(name)} />
	{/each}
</div>
