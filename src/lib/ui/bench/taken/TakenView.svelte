<script lang="ts">
	import { untrack } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import type { BenchAnswer } from '$lib/contract/bench';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { civilDate, instantOfLocal, isFuture, type Instant } from '$lib/core/time';
	import { localField } from '$lib/format/date';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import type { Habits } from '$lib/ui/shared/reading-draft';
	import TakenRow from './TakenRow.svelte';
	import { TakenState } from './TakenState.svelte';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		habits: Habits;
		timeZone: string;
		now: Instant;
		onsaved: () => Promise<void>;
	}
	let { waterId, bench, units, habits, timeZone, now, onsaved }: Props = $props();

	const clock = clockOf();
	const outbox = outboxOf();
	const taken = new TakenState(
		() => ({ waterId, bench, habits, timeZone }),
		idMaker(untrack(() => clock)),
		outbox
	);
	let when = $state<string | null>(untrack(() => localField(now, timeZone)));
	let trouble = $state('');
	let list: HTMLElement | undefined = $state();
	let box: HTMLElement | undefined = $state();

	function next(field: HTMLInputElement): void {
		const fields = [...(list?.querySelectorAll<HTMLInputElement>('input[data-taken]') ?? [])];
		const following = fields[fields.indexOf(field) + 1];
		if (following) {
			following.focus();
			following.select();
		} else box?.querySelector<HTMLButtonElement>('button')?.focus();
	}
	async function save(): Promise<void> {
		trouble = '';
		if (!when) {
			trouble = 'Say when they were read: a day and a time.';
			return;
		}
		const at = instantOfLocal(when, timeZone);
		if (isFuture(at, clock.now())) {
			trouble = 'That is in the future. Put the time right; nothing is lost.';
			return;
		}
		// The minute that is shown began before now.
		await taken.save(at);
		if (taken.open.length === 0) await onsaved();
	}
	const count = $derived(taken.open.length);
	const unsaid = $derived(taken.unfinished.map((r) => PARAMETERS[r.parameter].name));
	const isDone = $derived(taken.rows.some((r) => r.saved) && count === 0 && unsaid.length === 0);
</script>

<main class="page">
	<div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
		<div>
			<h1 class="text-3xl">Readings already taken</h1>
			<p class="mt-1 max-w-[40rem] text-muted">
				Type what you read; Enter goes on. What lies between two marks or steps is typed as both, such as
				0.47-0.48. Each result stands beside it at once.
			</p>
		</div>
		<DateField
			label="When they were read"
			of="moment"
			today={civilDate(now, timeZone)}
			value={untrack(() => when ?? '')}
			onset={(value) => (when = value)}
		/>
	</div>
	<ol bind:this={list} class="mt-5 border-b">
		{#each taken.rows as row (row.ids.run)}
			<TakenRow {taken} {row} {units} onnext={next} />
		{:else}
			<li class="border-t py-4">
				Nothing to test with is ticked yet. <a class="link" href="/waters/{waterId}/kits"
					>What do you test with?</a
				>
			</li>
		{/each}
	</ol>
	<div class="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3" bind:this={box}>
		<May what="record" said>
			{#if isDone}
				<Button kind="primary" size="large" href="/waters/{waterId}/today">See Today</Button>
			{:else}
				<Button kind="primary" size="large" disabled={count === 0 || taken.saving} onclick={() => void save()}
					>{taken.saving
						? 'Saving …'
						: count === 0
							? 'Save what was read'
							: count === 1
								? 'Save this result'
								: `Save these ${count} results`}</Button
				>
			{/if}
		</May>
		<Choice
			label="Another test"
			quiet
			class="min-w-44"
			value=""
			items={[
				{ value: '', name: 'none' },
				...taken.more.map((value) => ({ value, name: PARAMETERS[value].name }))
			]}
			onpick={(picked) => picked && taken.add(picked as ParameterId)}
		/>
		{#if unsaid.length > 0}
			<p class="small text-muted">Not saved as it stands: {unsaid.join(', ')}.</p>
		{/if}
	</div>
	{#if trouble}<p class="mt-3 font-semibold text-warn" role="alert">{trouble}</p>{/if}
	<p class="small mt-6 text-muted">
		A whole history, or a table from elsewhere, is entered under
		<a class="link" href="/waters/{waterId}/log/earlier">readings from before</a>. A test that is still to be
		made is led through at the <a class="link" href="/waters/{waterId}/bench">bench</a>.
	</p>
</main>
