<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { send } from '$lib/client/api';
	import { idMaker } from '$lib/client/ids';
	import type { Move } from '$lib/contract/method';
	import { stepsFor, timesOf, type Method } from '$lib/core/method';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { TestResult } from '$lib/core/reading';
	import type { Instant } from '$lib/core/time';
	import { aboutMinutes, shortDay } from '$lib/format/date';
	import { faultText } from '$lib/format/faults/faults';
	import { HAZARD_NAMES, LABEL_FIRST } from '$lib/format/bench/hazard';
	import { KIND_NAMES, worthWords } from '$lib/format/methods/method';
	import { plain } from '$lib/format/number';
	import { resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { clockOf } from '$lib/ui/shared/context';

	interface Props {
		waterId: string;
		method: Method;
		own: boolean;
		versions: readonly number[];
		/** How results of older versions would move; null where there is nothing to move. */
		moves: readonly Move[] | null;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, method, own, versions, moves, units, timeZone, now }: Props = $props();

	const newId = idMaker(clockOf());
	let fault = $state('');
	let done = $state<number | null>(null);
	let working = $state(false);
	const base = $derived(`/waters/${waterId}/methods`);
	const steps = $derived(stepsFor(method, 'full'));
	const times = $derived(timesOf(steps));
	const results = (all: readonly TestResult[] | null) =>
		all === null
			? 'cannot be read by this version'
			: all.map((r) => resultInUnit(r, units[r.parameter])).join('; ');

	async function deriveAgain(): Promise<void> {
		working = true;
		const answer = await send<{ moved: number }>(`/api/waters/${waterId}/derivations`, {
			id: newId(),
			waterId,
			code: method.code
		});
		working = false;
		if (answer.kind === 'ok') {
			done = answer.value.moved;
			await invalidateAll();
		} else fault = answer.kind === 'refused' ? faultText(answer.fault) : answer.message;
	}
</script>

<main class="page max-w-[64rem]!">
	<p class="label"><a class="link" href={base}>Methods and kits</a></p>
	<h1 class="mt-2 text-3xl">{method.name}</h1>
	<p class="mt-1 text-muted">
		{PARAMETERS[method.parameter].name} ({method.species}); {KIND_NAMES[method.kind]}{method.sampleMl
			? `; sample ${plain(method.sampleMl.full)} mL${method.sampleMl.half ? ` or ${plain(method.sampleMl.half)} mL` : ''}`
			: ''}; {aboutMinutes(times.totalS)}. Version {method.version}{own ? ', your own' : ', shipped'}.
	</p>
	<div class="mt-4 flex flex-wrap gap-3">
		<Button kind="primary" href="{base}/new?from={method.code}">Duplicate and adapt</Button>
		{#if own}<Button href="{base}/new?revise={method.code}">Change it (next version)</Button>{/if}
		<Button href="{base}/{method.code}/card">Card to print</Button>
		<Button href="{base}/{method.code}/file" download>Save as a file</Button>
	</div>

	{#if done !== null}
		<p role="status" class="mt-5 font-semibold">
			Derived again: {done}
			{done === 1 ? 'result' : 'results'}. The old ones are kept, and nothing that was read has changed.
		</p>
	{/if}
	{#if fault}<div class="mt-4"><Fault text={fault} /></div>{/if}
	{#if moves && moves.length > 0}
		<section class="mt-8 border-y-2 border-ink py-5" aria-labelledby="moves">
			<h2 id="moves" class="text-xl">
				{moves.length}
				{moves.length === 1 ? 'result came' : 'results came'} from an older version
			</h2>
			<p class="mt-1 text-muted">This is how each would move. Nothing has moved yet.</p>
			<Table class="small mt-3">
				<thead>
					<tr class="text-left text-muted"
						><th class="py-1 font-normal">Read</th><th class="py-1 font-normal">by version</th><th
							class="py-1 font-normal">is</th
						><th class="py-1 font-normal">would be</th></tr
					>
				</thead>
				<tbody>
					{#each moves.slice(0, 50) as move (move.readingId)}
						<tr class="border-t">
							<td class="py-1.5">{shortDay(move.at, timeZone, now)}, {move.water}</td>
							<td class="py-1.5">{move.version}</td>
							<td class="py-1.5">{results(move.before)}</td>
							<td class="py-1.5 font-semibold {move.after === null ? 'text-warn' : ''}"
								>{results(move.after)}</td
							>
						</tr>
					{/each}
				</tbody>
			</Table>
			{#if moves.length > 50}<p class="small mt-2 text-muted">and {moves.length - 50} more</p>{/if}
			<div class="mt-4 flex flex-wrap gap-3">
				<Button kind="secondary" disabled={working} onclick={deriveAgain}
					>{working ? 'Deriving …' : 'Derive them again'}</Button
				>
				<Button kind="quiet" href="/waters/{waterId}/log">Leave them as they are</Button>
			</div>
		</section>
	{/if}

	<div class="mt-8 grid gap-10 lg:grid-cols-[1fr_22rem]">
		<section>
			<h2 class="label border-b pb-1">Steps</h2>
			<ol>
				{#each steps as step, i (step.id)}
					<li class="grid grid-cols-[2rem_1fr] border-b py-2">
						<span class="figures text-muted">{i + 1}</span>
						<span>{step.say}<span class="small block text-muted">{step.detail}</span></span>
					</li>
				{:else}
					<li class="py-2 text-muted">No steps: its values come from elsewhere.</li>
				{/each}
			</ol>
		</section>
		<div class="space-y-8">
			<section>
				<h2 class="label border-b pb-1">How the reading becomes a value</h2>
				{#each worthWords(method) as line, i (i)}<p class="mt-2">{line}</p>{/each}
				{#if method.kind === 'colour-card' || method.kind === 'comparator'}
					<svg
						class="mt-3 w-full"
						viewBox="0 0 {method.colourSteps.length * 44} 34"
						role="img"
						aria-label="Swatches of the steps"
					>
						{#each method.colourSteps as s, i (s.value)}<rect
								x={i * 44 + 1}
								y="1"
								width="42"
								height="32"
								fill={s.colour.css}
								stroke="var(--line-strong)"
							/>{/each}
					</svg>
				{/if}
			</section>
			<section>
				<h2 class="label border-b pb-1">Reagents and cautions</h2>
				<ul class="mt-2">
					{#each method.reagents as reagent (reagent.label)}
						<li class="py-0.5">
							<strong>{reagent.label}</strong>: {reagent.what}{reagent.hazards.length > 0
								? ` (${reagent.hazards.map((h) => HAZARD_NAMES[h]).join(', ')})`
								: ''}
						</li>
					{:else}<li class="text-muted">None.</li>{/each}
				</ul>
				<p class="small mt-2 text-muted">{LABEL_FIRST}</p>
			</section>
			<section class="small text-muted">
				{#if method.pack.tests}<p>{method.pack.tests} tests to a pack.</p>{/if}
				{#if method.pack.closedMonths}<p>
						Keeps {plain(method.pack.closedMonths)} months closed{method.pack.openedMonths
							? `, ${plain(method.pack.openedMonths)} opened`
							: ''}.
					</p>{/if}
				{#if versions.length > 1}<p>
						Versions: {versions.join(', ')}. Results keep the one they came from.
					</p>{/if}
			</section>
		</div>
	</div>
</main>
