<script lang="ts">
	import { enhance } from '$app/forms';
	import type { MemberSeen } from '$lib/contract/people';
	import { ROLES } from '$lib/core/access';
	import { civilDate, instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { ROLE_NAMES } from '$lib/format/faults/access';
	import { ROLE_MEANS } from '$lib/format/people/deeds';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { mayHere } from '$lib/ui/access/may';
	import { sending } from '$lib/ui/shared/sending';
	import { faultIn, type PeopleAnswer } from '$lib/ui/shared/page-answer';

	interface Props {
		member: MemberSeen;
		/** For a command that is sent once. */
		id: string;
		timeZone: string;
		now: Instant;
		answer: PeopleAnswer | null;
	}
	let { member, id, timeZone, now, answer }: Props = $props();
	const form = $derived(`member ${member.id}`);
	const fault = $derived(faultIn(answer, form));
	const day = (at: number) => shortDay(instant(at), timeZone, now);
</script>

<li class="border-t py-3">
	<div class="flex flex-wrap items-baseline gap-x-6">
		<strong class="min-w-40 text-lg">{member.name}{member.isYou ? ' (you)' : ''}</strong>
		<span class="min-w-20 font-semibold">{ROLE_NAMES[member.role]}</span>
		<span class="small figures text-muted"
			>since {day(member.fromAt)}{member.untilAt === null ? '' : `, until ${day(member.untilAt)}`}</span
		>
	</div>
	<p class="small text-muted">{ROLE_MEANS[member.role]}</p>
	{#if mayHere('people')}
		<Disclosure
			title="Change or end it: {member.name}"
			open={fault.entered !== null}
			look="link small min-h-11"
		>
			{#if fault.above(['role', 'memberUntil'])}<div class="mt-2">
					<Fault text={fault.above(['role', 'memberUntil'])} />
				</div>{/if}
			<form
				method="post"
				action="?/change"
				use:enhance={sending}
				class="mt-2 grid max-w-[34rem] gap-4 sm:grid-cols-2"
			>
				<Hidden name="form" value={form} />
				<Hidden name="id" value={id} />
				<Hidden name="memberId" value={member.id} />
				<Choice
					name="role"
					label="From now on"
					value={fault.entered?.role ?? member.role}
					items={ROLES.map((value) => ({ value, name: ROLE_NAMES[value] }))}
					fault={fault.of('role')}
				/>
				<DateField
					name="memberUntil"
					label="Until"
					help="Empty: until you end it."
					value={fault.entered?.memberUntil ??
						(member.untilAt === null ? '' : civilDate(instant(member.untilAt), timeZone))}
					today={civilDate(now, timeZone)}
					fault={fault.of('memberUntil')}
				/>
				<div><Button type="submit">Keep it so</Button></div>
			</form>
			<form method="post" action="?/end" use:enhance={sending} class="mt-3 pb-2">
				<Hidden name="form" value={form} />
				<Hidden name="id" value={id} />
				<Hidden name="memberId" value={member.id} />
				<Button type="submit" kind="text" class="min-h-11 text-warn"
					>End it now: {member.name} does not see this site any more</Button
				>
			</form>
		</Disclosure>
	{/if}
</li>
