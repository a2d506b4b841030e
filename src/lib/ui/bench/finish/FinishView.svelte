<script lang="ts">
	import { idMaker } from '$lib/client/ids';
	import type { BenchAnswer } from '$lib/contract/bench';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { offsetMinutes, type Instant } from '$lib/core/time';
	import Strip from '$lib/ui/instrument/Strip.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import { clockOf, outboxOf } from '$lib/ui/shared/context';
	import TickList from '$lib/ui/shared/TickList.svelte';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import VoiceNotes from '$lib/ui/shared/VoiceNotes.svelte';
	import type { BenchSession } from '$lib/ui/shared/bench-session';
	import { LABEL_FIRST } from '$lib/format/bench/hazard';
	import {
		cleanUpList,
		cleanUpLast,
		cleanUpOf,
		nextWords,
		outsideWaters,
		rowsOf,
		summaryText
	} from './finish-words';

	interface Props {
		session: BenchSession;
		units: Readonly<Record<ParameterId, UnitId>>;
		benchOf: (waterId: string) => BenchAnswer | undefined;
		unused: 'discard' | 'put-back';
		timeZone: string;
		now: Instant;
		onclose: () => void;
	}
	let { session, units, benchOf, unused, timeZone, now, onclose }: Props = $props();

	const outbox = outboxOf();
	const newId = idMaker(clockOf());
	const rows = $derived(rowsOf(session, units, benchOf));
	const text = $derived(summaryText(session, rows, timeZone, now));
	const tidy = $derived([
		...new Set(session.finished.flatMap((f) => cleanUpOf(f.draft.method, unused))),
		...cleanUpLast(session.finished.map((f) => f.draft.method))
	]);
	const waiting = $derived(new Set(outbox.waiting.map((w) => w.id)));
	let bottled = $state(false);
	/** One press: a closed bottle of each water of this session, put aside now. */
	function keepBottle(): void {
		const waters = new Set(session.finished.filter((f) => !f.draft.standard).map((f) => f.draft.waterId));
		for (const waterId of waters) {
			const id = newId();
			const command = { id, waterId, happenedAt: now, offsetMinutes: offsetMinutes(now, timeZone), note: '' };
			void outbox.put({
				id,
				url: `/api/waters/${waterId}/bottles`,
				command,
				label: 'The bottle that was kept'
			});
		}
		bottled = true;
	}
	let copied = $state('');
	async function copy(): Promise<void> {
		try {
			await navigator.clipboard.writeText(text);
			copied = 'Copied.';
		} catch {
			copied = 'This browser does not let a page copy. Mark the text and copy it by hand.';
		}
	}
</script>

<div class="page max-w-[72rem]!">
	<h1 class="text-3xl">The session is done</h1>
	{#if outbox.waiting.length > 0}
		<p class="mt-2 border-l-4 border-line-strong pl-3" role="status">
			{outbox.waiting.length === 1
				? 'One thing is not on the server yet. It is kept here and sent when the server is back.'
				: `${outbox.waiting.length} things are not on the server yet. They are kept here and sent when it is back.`}
		</p>
	{/if}
	<ul class="mt-5 border-t" aria-label="What was found">
		{#each rows as row (row.key)}
			<li
				class="grid gap-x-6 border-b py-3 items-center sm:grid-cols-[8rem_minmax(0,13rem)_minmax(10rem,18rem)_minmax(0,1fr)]"
			>
				<strong
					>{row.name}{#if row.water}<span class="small block font-normal text-muted">{row.water}</span
						>{/if}</strong
				>
				<span class="figures text-xl">{row.result}</span>
				<span class="min-w-0 py-1"
					>{#if row.place}<Strip
							band={row.place.band}
							value={row.place.value}
							lower={row.place.lower}
							upper={row.place.upper}
							reading={null}
							tail={row.place.value}
							warn={row.place.isOutside}
							lowText={row.place.lowText}
							highText={row.place.highText}
							words="{row.name} {row.result}. {row.verdict}"
							low
						/>{/if}</span
				>
				<span
					>{row.verdict}
					{#each row.unusual as words, i (i)}<span class="small block text-muted">{words}</span>{/each}
					{#if waiting.has(row.runId)}<span class="small block">Not on the server yet.</span>{/if}</span
				>
			</li>
		{/each}
	</ul>

	<div class="mt-6 grid gap-x-12 gap-y-6 md:grid-cols-2">
		<section aria-labelledby="tidy">
			<h2 id="tidy" class="text-xl">Clean up</h2>
			<TickList class="mt-2" label="Clean up" list={cleanUpList(session)} lines={tidy} />
			<p class="small mt-2 text-muted">{LABEL_FIRST}</p>
		</section>
		<section aria-labelledby="next">
			<h2 id="next" class="text-xl">Next tests</h2>
			<ul class="mt-2">
				{#each nextWords(session, benchOf, now, timeZone) as line (line)}<li class="border-b py-2">
						{line}
					</li>{/each}
			</ul>
			{#each outsideWaters(session, benchOf) as waterId (waterId)}
				<p class="mt-4 border-l-4 border-warn pl-3">
					<strong class="text-warn">Outside its band</strong> was something of this
					{rows.some((r) => r.water) ? (benchOf(waterId)?.waterName ?? 'water') : 'water'}.
					<Button class="mt-2" href="/waters/{waterId}/adjust">See what to put right</Button>
				</p>
			{/each}
			{#if session.finished.some((f) => f.results && !f.draft.standard)}
				<p class="mt-4">
					{#if bottled}
						<span role="status">Noted: Today reminds of it until it is sent.</span>
					{:else}
						<Button onclick={keepBottle}>Keep a bottle for the laboratory</Button>
					{/if}
				</p>
			{/if}
			<p class="mt-4 flex flex-wrap gap-x-5">
				<a class="link min-h-10" href="/waters/{session.waterId}/trends">See them in their trends</a>
				<a class="link min-h-10" href="/waters/{session.waterId}/log/new">Enter a dose or a change</a>
			</p>
			{#if rows.some((r) => r.kit)}
				<p class="small mt-3 text-muted">
					What was used is counted down on the shelf: {[
						...new Set(rows.flatMap((r) => (r.kit ? [r.kit] : [])))
					].join(', ')}.
				</p>
			{/if}
		</section>
	</div>
	{#if session.finished.some((f) => f.results && !waiting.has(f.draft.runId))}
		<Disclosure class="mt-6 border-t" title="Photographs and voice notes" look="link min-h-11 py-3">
			{#each session.finished.filter((f) => f.results && !waiting.has(f.draft.runId)) as f (f.draft.runId)}
				<div class="py-2">
					<Photographs
						waterId={f.draft.waterId}
						of={{ run: f.draft.runId }}
						photographs={[]}
						what={PARAMETERS[f.draft.method.parameter].name.toLowerCase()}
					/>
					<VoiceNotes
						waterId={f.draft.waterId}
						runId={f.draft.runId}
						kept={[]}
						what={PARAMETERS[f.draft.method.parameter].name.toLowerCase()}
					/>
				</div>
			{/each}
		</Disclosure>
	{/if}
	<Disclosure class="mt-2 border-t" title="The session in words" look="link min-h-11 py-3">
		<pre class="small overflow-x-auto whitespace-pre-wrap">{text}</pre>
	</Disclosure>
	<div class="no-print mt-6 flex flex-wrap items-center gap-3 border-t pt-5">
		<Button kind="primary" size="large" onclick={onclose}>Done, clear the bench</Button>
		<Button size="large" onclick={copy}>Copy the words</Button>
		<Button size="large" onclick={() => window.print()}>Print</Button>
		<span class="small" role="status">{copied}</span>
	</div>
</div>
