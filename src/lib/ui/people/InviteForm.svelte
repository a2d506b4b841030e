<script lang="ts">
	import { enhance } from '$app/forms';
	import { LINK_DAYS } from '$lib/contract/choices';
	import { ROLES, type Role } from '$lib/core/access';
	import type { CivilDate } from '$lib/core/time';
	import { ROLE_NAMES } from '$lib/format/faults/access';
	import { ROLE_MEANS } from '$lib/format/people/deeds';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Radio from '$lib/ui/kit/Radio.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultIn, type PeopleAnswer } from '$lib/ui/shared/page-answer';

	let { id, today, answer }: { id: string; today: CivilDate; answer: PeopleAnswer | null } = $props();
	const fault = $derived(faultIn(answer, 'invite'));
	const FIELDS = ['forWhom', 'role', 'linkDays', 'memberUntil'];
	const DAYS_NAMES: Readonly<Record<number, string>> = { 1: 'a day', 7: 'a week', 30: 'a month' };
	let role = $derived<string>(fault.entered?.role ?? ('helper' satisfies Role));
</script>

<form method="post" action="?/invite" use:enhance={sending} class="grid gap-5">
	<Hidden name="form" value="invite" />
	<Hidden name="id" value={id} />
	{#if fault.above(FIELDS)}<Fault text={fault.above(FIELDS)} />{/if}
	<Field
		name="forWhom"
		label="For whom"
		help="So that you know later whose it was."
		value={fault.entered?.forWhom ?? ''}
		maxlength={80}
		autocomplete="off"
		fault={fault.of('forWhom')}
	/>
	<fieldset>
		<legend class="font-semibold">What they may do</legend>
		{#each [...ROLES].reverse() as value (value)}
			<Radio name="role" {value} bind:chosen={role} class="min-h-11 items-start py-1.5"
				><span class="font-semibold">{ROLE_NAMES[value]}</span>
				<span class="small block text-muted">{ROLE_MEANS[value]}</span></Radio
			>
		{/each}
		{#if fault.of('role')}<Fault text={fault.of('role') ?? ''} />{/if}
	</fieldset>
	<div class="grid gap-5 sm:grid-cols-2 lg:grid-cols-1">
		<Choice
			name="linkDays"
			label="The link is good for"
			value={fault.entered?.linkDays ?? '7'}
			items={LINK_DAYS.map((d) => ({ value: String(d), name: DAYS_NAMES[d] ?? '' }))}
			fault={fault.of('linkDays')}
		/>
		<DateField
			name="memberUntil"
			label="They belong here until"
			help="Empty: until you end it."
			value={fault.entered?.memberUntil ?? ''}
			{today}
			fault={fault.of('memberUntil')}
		/>
	</div>
	<Checkbox name="withCode" value="yes" checked={fault.entered?.withCode === 'yes'}
		>Ask for a code that you tell them yourself, so that a link that went astray lets nobody in</Checkbox
	>
	<div><Button type="submit" kind="primary">Make the invitation</Button></div>
</form>
