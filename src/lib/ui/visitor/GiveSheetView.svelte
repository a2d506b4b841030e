<script lang="ts">
	import { enhance } from '$app/forms';
	import { type SheetSeen, type SheetWords } from '$lib/contract/sheet';
	import { SHEET_DAYS } from '$lib/contract/choices';
	import { instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import TextArea from '$lib/ui/kit/TextArea.svelte';
	import { faultIn, type PeopleAnswer } from '$lib/ui/shared/page-answer';
	import LinkShown from '$lib/ui/shared/LinkShown.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { mayHere } from '$lib/ui/access/may';
	import { sending } from '$lib/ui/shared/sending';
	import PrintButton from '$lib/ui/kit/PrintButton.svelte';
	import SheetPaper from './SheetPaper.svelte';

	interface Props {
		/** As it would be handed out now. */
		sheet: SheetWords;
		given: readonly SheetSeen[];
		id: string;
		waterId: string;
		timeZone: string;
		now: Instant;
		answer: PeopleAnswer | null;
	}
	let { sheet, given, id, waterId, timeZone, now, answer }: Props = $props();
	const fault = $derived(faultIn(answer, 'sheet'));
	const FIELDS = ['forWhom', 'note', 'days'];
	let note = $derived(fault.entered?.note ?? '');
	const day = (at: number) => shortDay(instant(at), timeZone, now);
	const stateOf = (one: SheetSeen) =>
		one.revoked
			? 'taken back'
			: one.expiresAt <= now
				? 'its time is over'
				: `opens until ${day(one.expiresAt)}`;
</script>

<main class="page print:p-0!">
	<div class="flex flex-wrap items-baseline justify-between gap-4 print:hidden">
		<h1 class="text-3xl">A sheet for a visitor</h1>
		<a class="link" href="/waters/{waterId}/today">Back to Today</a>
	</div>
	<div class="mt-5 grid gap-x-12 gap-y-10 lg:grid-cols-[minmax(0,1fr)_22rem] print:mt-0 print:block">
		<div class="min-w-0">
			{#if answer?.done === 'give' && answer.link}
				<div class="mb-8 print:hidden">
					<LinkShown link={answer.link}
						>Whoever has it sees this sheet as it stands now, and nothing else; without an account.</LinkShown
					>
				</div>
			{/if}
			<div class="border p-6 lg:p-8 print:border-0 print:p-0"><SheetPaper sheet={{ ...sheet, note }} /></div>
		</div>
		<div class="min-w-0 print:hidden">
			<h2 class="text-2xl">Hand it out</h2>
			<p class="mt-2"><PrintButton /></p>
			<May what="share" said>
				<form method="post" action="?/give" use:enhance={sending} class="mt-6 grid gap-5 border-t pt-5">
					<Hidden name="form" value="sheet" />
					<Hidden name="id" value={id} />
					{#if fault.above(FIELDS)}<Fault text={fault.above(FIELDS)} />{/if}
					<Field
						name="forWhom"
						label="For whom"
						value={fault.entered?.forWhom ?? ''}
						maxlength={80}
						autocomplete="off"
						fault={fault.of('forWhom')}
					/>
					<TextArea
						name="note"
						label="What you want to say to it"
						rows={3}
						bind:value={note}
						fault={fault.of('note')}
					/>
					<Choice
						name="days"
						label="The link opens it for"
						value={fault.entered?.days ?? '30'}
						items={SHEET_DAYS.map((d) => ({ value: String(d), name: `${d} days` }))}
						fault={fault.of('days')}
					/>
					<div><Button type="submit" kind="primary">Make a link</Button></div>
				</form>
			</May>
			{#if given.length > 0}
				<h2 class="mt-8 text-xl">Handed out</h2>
				<ul class="mt-2 border-b">
					{#each given as one (one.id)}
						<li class="flex flex-wrap items-center justify-between gap-x-4 border-t py-2">
							<span
								><strong>{one.forWhom || 'A visitor'}</strong>
								<span class="small figures block text-muted">{day(one.createdAt)}, {stateOf(one)}</span></span
							>
							{#if !one.revoked && one.expiresAt > now && mayHere('share')}
								<form method="post" action="?/revoke" use:enhance={sending}>
									<Hidden name="form" value="revoke" />
									<Hidden name="id" value={id} />
									<Hidden name="sheetId" value={one.id} />
									<Button type="submit" kind="text" class="small min-h-11"
										>Take it back<span class="visually-hidden">: {one.forWhom}</span></Button
									>
								</form>
							{/if}
						</li>
					{/each}
				</ul>
			{/if}
		</div>
	</div>
</main>
