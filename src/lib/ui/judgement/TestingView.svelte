<script lang="ts">
	import { enhance } from '$app/forms';
	import type { OpenFeed } from '$lib/contract/calendar';
	import { PROFILE_IDS, PROFILES, type DueTest, type ProfileId, type StageId } from '$lib/core/judgement';
	import type { JudgementSettings } from '$lib/core/judgement/water';
	import { PARAMETERS } from '$lib/core/quantity';
	import { instant, type Instant } from '$lib/core/time';
	import { whyDue } from '$lib/format/bench/bench';
	import { shortDay } from '$lib/format/date';
	import { STAGE_NAMES } from '$lib/format/judgement/stage';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		water: { readonly id: string; readonly name: string; readonly profile: ProfileId | null };
		due: readonly DueTest[];
		stage: StageId | null;
		settings: JudgementSettings;
		cycles: boolean;
		feeds: readonly OpenFeed[];
		/** For a command that is sent once. */
		id: string;
		origin: string;
		timeZone: string;
		now: Instant;
		answer: { readonly what: string; readonly text: string; readonly token: string | null } | null;
	}
	let { water, due, stage, settings, cycles, feeds, id, origin, timeZone, now, answer }: Props = $props();

	const CHANCES = [
		{ value: '0.05', name: '5 %: sees soonest, costs the most tests' },
		{ value: '0.1', name: '10 %' },
		{ value: '0.2', name: '20 %: as recommended' },
		{ value: '0.3', name: '30 %' },
		{ value: '0.4', name: '40 %: fewest tests, sees latest' }
	];
	const testing = $derived(settings.testing);
	let habit = $derived(testing.kind === 'fixed' ? String(testing.everyDays) : 'reckoned');
	const chance = $derived(testing.kind === 'reckoned' ? String(testing.chance) : '0.2');
	const fault = (what: string) => (answer?.what === what ? answer.text : '');
	const saved = (what: string) => answer?.what === what && answer.text === '';
	const sorted = $derived([...due].sort((a, b) => a.dueAt - b.dueAt));
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">When {water.name} is tested</h1>
	<p class="mt-1 text-muted">
		{stage ? `It is ${STAGE_NAMES[stage].toLowerCase()}.` : ''} Each test costs minutes and money and buys certainty.
	</p>

	<h2 class="mt-8 text-2xl">Next tests</h2>
	<ul class="mt-2 border-b">
		{#each sorted as test (test.parameter)}
			<li class="grid gap-x-6 border-t py-2 sm:grid-cols-[10rem_9rem_minmax(0,1fr)]">
				<strong>{PARAMETERS[test.parameter].name}</strong>
				<span class="figures">{test.dueAt <= now ? 'now' : shortDay(test.dueAt, timeZone, now)}</span>
				<span class="small text-muted">{whyDue(test)}.</span>
			</li>
		{:else}
			<li class="border-t py-3 text-muted">
				No test is planned for this water: nothing is wanted of it yet, or it was never tested.
			</li>
		{/each}
	</ul>

	<h2 class="mt-8 text-2xl">How it is planned</h2>
	<form method="post" action="?/settings" use:enhance={sending} class="mt-3 grid gap-5 sm:grid-cols-2">
		{#if fault('settings')}<div class="sm:col-span-2"><Fault text={fault('settings')} /></div>{/if}
		<Choice
			name="habit"
			label="Tests come"
			value={habit}
			items={[
				{ value: 'reckoned', name: 'when each is worth making' },
				{ value: '7', name: 'every week, on a fixed day' },
				{ value: '14', name: 'every other week, on a fixed day' }
			]}
			onpick={(picked) => (habit = picked)}
		/>
		{#if habit === 'reckoned'}
			<Choice name="chance" label="Growth of the chance of being outside" value={chance} items={CHANCES} />
		{:else}
			<p class="small self-end text-muted">
				All of the usual set on that day, slower ones every so many weeks. A steady tank is then tested more
				often than it needs, a moving one perhaps too rarely.
			</p>
		{/if}
		{#if cycles}
			<Field
				name="clearDays"
				label="The cycle is done after"
				unit="clear days in a row"
				inputmode="numeric"
				value={String(settings.cycle.clearDays)}
			/>
			<Choice
				name="school"
				label="What has to be clear"
				value={settings.cycle.school}
				items={[
					{ value: 'both', name: 'ammonia and nitrite' },
					{ value: 'ammonia', name: 'ammonia only' },
					{ value: 'nitrite', name: 'nitrite only' }
				]}
			/>
		{/if}
		<div class="flex items-center gap-4 sm:col-span-2">
			<Button type="submit">Keep these settings</Button>
			{#if saved('settings')}<span class="small" role="status">Kept.</span>{/if}
		</div>
	</form>
	<p class="small mt-3 max-w-[44rem] text-muted">
		A doubtful reading is repeated at once, whatever is chosen here. Cheap and quick tests come a little
		sooner, dear and slow ones later, none later than its longest usual pause.
	</p>

	<h2 class="mt-8 text-2xl">Kind and stage of the water</h2>
	<form method="post" action="?/stage" use:enhance={sending} class="mt-3 flex flex-wrap items-end gap-4">
		<Hidden name="id" value={id} />
		{#if fault('stage')}<div class="w-full"><Fault text={fault('stage')} /></div>{/if}
		<div class="min-w-60">
			<Choice
				name="profile"
				label="It is now"
				value={water.profile ?? 'mixed-reef'}
				items={PROFILE_IDS.map((value) => ({ value, name: PROFILES[value].name }))}
			/>
		</div>
		<Button type="submit">Take its bands and tests</Button>
		{#if saved('stage')}<span class="small" role="status">Taken: bands count from now on.</span>{/if}
	</form>
	<p class="small mt-3 max-w-[44rem] text-muted">
		The bands of that kind replace the ones in force, from now on; earlier verdicts keep theirs. A reef in its
		first year gets less nitrate.
		<a class="link" href="/waters/{water.id}/targets">Bands one by one, and profiles of your own</a>
	</p>

	<h2 class="mt-8 text-2xl">Calendar</h2>
	<p class="mt-2 max-w-[44rem]">
		The next tests of all tanks of this site, as a file or as an address that a calendar program asks by
		itself.
	</p>
	{#if fault('feed')}<div class="mt-3"><Fault text={fault('feed')} /></div>{/if}
	<div class="mt-3 flex flex-wrap items-center gap-4">
		<Button href="/waters/{water.id}/calendar.ics" download="tevrik-tests.ics">Take the file</Button>
		<form method="post" action="?/feed" use:enhance={sending}>
			<Button type="submit">Make a private address</Button>
		</form>
	</div>
	{#if answer?.token}
		<div class="mt-4 border-2 border-ink p-4" role="status">
			<p>
				Whoever has this address can read when your tanks are tested, and nothing else. It is shown once; copy
				it now.
			</p>
			<p class="figures mt-2 font-semibold break-all select-all">{origin}/calendar/{answer.token}.ics</p>
		</div>
	{/if}
	{#if feeds.length > 0}
		<ul class="mt-4 border-b">
			{#each feeds as feed (feed.id)}
				<li class="flex flex-wrap items-center justify-between gap-4 border-t py-2">
					<span>Address made on {shortDay(instant(feed.createdAt), timeZone, now)}</span>
					<form method="post" action="?/feed" use:enhance={sending}>
						<Hidden name="feedId" value={feed.id} />
						<Button type="submit">Revoke it</Button>
					</form>
				</li>
			{/each}
		</ul>
	{/if}
</main>
