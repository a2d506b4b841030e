<script lang="ts">
	import { enhance } from '$app/forms';
	import type { PeopleSeen } from '$lib/contract/people';
	import { civilDate, instant, type Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import { ROLE_NAMES } from '$lib/format/faults/access';
	import { deedWords } from '$lib/format/people/deeds';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { mayHere } from '$lib/ui/access/may';
	import { sending } from '$lib/ui/shared/sending';
	import type { PeopleAnswer } from '$lib/ui/shared/page-answer';
	import InviteForm from './InviteForm.svelte';
	import LinkShown from '$lib/ui/shared/LinkShown.svelte';
	import MemberRow from './MemberRow.svelte';
	import PinForm from './PinForm.svelte';
	import PlacesPart from './PlacesPart.svelte';

	interface Props {
		people: PeopleSeen;
		site: string;
		/** For a command that is sent once. */
		id: string;
		/** Somebody who is invited can make an account. */
		takesAccounts: boolean;
		/** Seen from the device of a place, where nobody has digits to set. */
		atPlace: boolean;
		timeZone: string;
		now: Instant;
		answer: PeopleAnswer | null;
	}
	let { people, site, id, takesAccounts, atPlace, timeZone, now, answer }: Props = $props();
	const you = $derived(people.members.find((m) => m.isYou));
	const day = (at: number) => shortDay(instant(at), timeZone, now);
</script>

<main class="page">
	<h1 class="text-3xl">People at {site}</h1>
	<div class="mt-5 grid gap-x-14 gap-y-10 lg:grid-cols-[minmax(0,1fr)_25rem]">
		<div class="min-w-0">
			{#if answer?.done === 'invite' && answer.link}
				<div class="mb-8">
					<LinkShown link={answer.link} code={answer.code ?? null}
						>{answer.code
							? 'Whoever has it and knows the code comes in, once.'
							: 'Whoever opens it first comes in; then it is used up.'}</LinkShown
					>
				</div>
			{/if}
			<h2 class="text-2xl">Who belongs here</h2>
			<ul class="mt-2 border-b">
				{#each people.members as member (member.id)}
					<MemberRow {member} {id} {timeZone} {now} {answer} />
				{/each}
			</ul>
			{#if people.invitations.length > 0}
				<h2 class="mt-8 text-xl">Asked, and not here yet</h2>
				<ul class="mt-2 border-b">
					{#each people.invitations as one (one.id)}
						<li class="flex flex-wrap items-center justify-between gap-x-6 border-t py-2">
							<span
								><strong>{one.forWhom || 'Somebody'}</strong>, as {ROLE_NAMES[one.role]}{one.withCode
									? ', with a code'
									: ''}</span
							>
							<span class="small figures text-muted">good until {day(one.expiresAt)}</span>
							<form method="post" action="?/revoke" use:enhance={sending}>
								<Hidden name="form" value="revoke" />
								<Hidden name="id" value={id} />
								<Hidden name="invitationId" value={one.id} />
								<Button type="submit" kind="text" class="small min-h-11"
									>Take it back<span class="visually-hidden">: {one.forWhom}</span></Button
								>
							</form>
						</li>
					{/each}
				</ul>
			{/if}
			<PlacesPart places={people.places} {id} {timeZone} {now} {answer} />
			{#if you && !atPlace && takesAccounts}<PinForm {id} has={you.hasPin} {answer} />{/if}
		</div>
		<div class="min-w-0">
			{#if mayHere('people') && takesAccounts}
				<h2 class="mb-3 text-2xl">Ask somebody in</h2>
				{#key id}<InviteForm {id} today={civilDate(now, timeZone)} {answer} />{/key}
			{:else if mayHere('people')}
				<p class="text-muted">Nobody can make an account on this server, so nobody can be asked in.</p>
			{/if}
			<h2 class="mt-10 text-2xl first:mt-0">What was done</h2>
			<ul class="mt-2 border-b">
				{#each people.history as line (line.id)}
					<li class="border-t py-2">
						<span class="small figures block text-muted"
							>{day(line.at)}, {clockTime(instant(line.at), timeZone)}</span
						>
						<strong>{line.by}</strong>
						{deedWords(line, timeZone, now)}
					</li>
				{:else}
					<li class="border-t py-3 text-muted">
						Nothing yet. Who came in, who changed what somebody may do, and what was handed out stands here
						for every member to read.
					</li>
				{/each}
			</ul>
		</div>
	</div>
</main>
