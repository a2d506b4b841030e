<script lang="ts">
	import type { AroundAnswer } from '$lib/contract/around';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Beside } from '$lib/core/record';
	import type { Instant } from '$lib/core/time';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import { clockTime, shortDay } from '$lib/format/date';
	import { aroundAsks, aroundColumns, cameWords } from '$lib/format/judgement/around';
	import { EVENT_NAMES, eventWords } from '$lib/format/log/event';
	import { inUnit, ratePerDay, symbolAfter } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		waterId: string;
		around: AroundAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, around, units, timeZone, now }: Props = $props();

	const { event, rows, kits } = $derived(around);
	const [first, second] = $derived(aroundColumns(event.kind));
	const asks = $derived(aroundAsks(event.kind, rows));
	const OFF = new Set(['less', 'more']);
	const read = (p: ParameterId, b: Beside) => {
		const m = inUnit(p, b.value, Math.max(1e-9, standardUncertaintyOf(b)), units[p]);
		return `${m.value} ± ${m.plusMinus}`;
	};
	const signed = (p: ParameterId, { value, u }: { readonly value: number; readonly u: number }) => {
		const m = ratePerDay(p, value, Math.max(u, 1e-9), units[p]);
		const sign = Number(m.value) === 0 ? '' : value < 0 ? '−' : '+';
		return `${sign}${m.value} ± ${m.plusMinus}`;
	};
	const when = (at: Instant) => `${shortDay(at, timeZone, now)}, ${clockTime(at, timeZone)}`;
</script>

{#snippet side(p: ParameterId, label: string, b: Beside | null)}
	<div>
		<span class="small block text-muted sm:visually-hidden">{label}</span>
		{#if b}
			<span class="figures text-lg font-semibold whitespace-nowrap">{read(p, b)}</span>
			<span class="small block text-muted">{when(b.at)}, {kits[b.methodCode] ?? 'from elsewhere'}</span>
		{:else}<span class="text-muted">not read</span>{/if}
	</div>
{/snippet}

<main class="page max-w-[72rem]!">
	<p class="label"><a class="link" href="/waters/{waterId}/log">Log</a></p>
	<h1 class="mt-2 text-3xl">{first} and {second.toLowerCase()}: {EVENT_NAMES[event.kind].toLowerCase()}</h1>
	<p class="mt-1 text-muted">
		{when(event.at)}. {[eventWords(event.kind, event.details), event.note].filter(Boolean).join('. ')}
	</p>
	{#if asks}
		<p class="mt-4">
			<Button kind="primary" size="large" href="/waters/{waterId}/bench?what={asks.what}">{asks.text}</Button>
		</p>
	{/if}
	{#if rows.length === 0}
		<p class="mt-6 border-y py-6 text-lg">
			Nothing was read within two days of it. Test before and after, each with the same kit: then what the kit
			is off by falls out of the difference.
		</p>
	{:else}
		<div
			class="mt-6 hidden grid-cols-[8rem_1fr_1fr_9rem_9rem_minmax(0,1.2fr)] gap-x-5 border-b pb-1 sm:grid"
			aria-hidden="true"
		>
			{#each ['', first, second, 'Moved', 'Expected', ''] as head, i (i)}<span class="label">{head}</span
				>{/each}
		</div>
		<ul aria-label="{first} and {second.toLowerCase()}" class="border-b max-sm:mt-6">
			{#each rows as row (row.parameter)}
				{@const p = row.parameter}
				<li
					class="grid grid-cols-2 items-start gap-x-5 gap-y-2 border-t py-3 first:border-t-0 sm:grid-cols-[8rem_1fr_1fr_9rem_9rem_minmax(0,1.2fr)]"
				>
					<h2 class="text-lg leading-tight max-sm:col-span-2">
						{PARAMETERS[p].name}<span class="small block font-normal text-muted"
							>{symbolAfter(units[p]).trim()}</span
						>
					</h2>
					{@render side(p, first, row.before)}
					{@render side(p, second, row.after)}
					<div>
						<span class="small block text-muted sm:visually-hidden">Moved</span>
						<span class="figures whitespace-nowrap">{row.moved ? signed(p, row.moved) : '–'}</span>
					</div>
					<div>
						<span class="small block text-muted sm:visually-hidden">Expected</span>
						<span class="figures whitespace-nowrap">{row.expected ? signed(p, row.expected) : '–'}</span>
					</div>
					<p class="small max-sm:col-span-2 {row.came && OFF.has(row.came) ? 'font-semibold text-warn' : ''}">
						{cameWords(row)}
					</p>
				</li>
			{/each}
		</ul>
		<p class="small mt-3 max-w-[46rem] text-muted">
			Expected is reckoned from what was read before, from what was put in, and from what the water does by
			itself between the two.{around.volumeL === null
				? ' The net volume is not known: without it nothing can be expected.'
				: ''}
		</p>
	{/if}
</main>
