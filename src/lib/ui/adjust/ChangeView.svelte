<script lang="ts">
	import { enhance } from '$app/forms';
	import {
		afterContinuous,
		CHANGE_STEPS,
		changesFor,
		fractionFor,
		turnoversFor,
		type BatchFinding,
		type ChangeMove,
		type Known,
		type LevelsOf,
		type NeglectedStep,
		type SeriesStep
	} from '$lib/core/correction';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { batchFindingWords } from '$lib/format/adjust/adjust';
	import { CHANGE_WORDS, NEGLECTED } from '$lib/format/adjust/husbandry';
	import { plain } from '$lib/format/number';
	import { limitInUnit, symbolAfter } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import Table from '$lib/ui/kit/Table.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import Dangers from './Dangers.svelte';

	interface Props {
		waterId: string;
		volumeL: number | null;
		tank: Readonly<Partial<Record<ParameterId, Known>>>;
		fresh: LevelsOf;
		batches: readonly { readonly name: string; readonly findings: readonly BatchFinding[] }[];
		moves: readonly ChangeMove[];
		largest: { readonly litres: number; readonly by: ParameterId | null } | null;
		series: readonly SeriesStep[];
		wish: {
			readonly litres: number;
			readonly count: number;
			readonly everyDays: number;
			readonly batch: string;
		};
		/** A parameter that is to be brought from here to there. */
		target: { readonly parameter: ParameterId; readonly value: number | null };
		neglected: readonly NeglectedStep[] | null;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		fault: string;
	}
	let {
		waterId,
		volumeL,
		tank,
		fresh,
		batches,
		moves,
		largest,
		series,
		wish,
		target,
		neglected,
		id,
		units,
		fault
	}: Props = $props();

	const level = (parameter: ParameterId, value: number) =>
		`${limitInUnit(parameter, Number(value.toPrecision(3)), units[parameter])}`;
	const seen = $derived(moves.map((m) => m.parameter));
	const batch = $derived(batches.find((b) => b.name === wish.batch) ?? null);
	const beyond = $derived(moves.filter((m) => !m.within));
	const fraction = $derived(volumeL ? Math.min(1, wish.litres / volumeL) : 0);
	/** How many changes of this size, or how much at a stretch, bring the target from here to there. */
	const reach = $derived.by(() => {
		const from = tank[target.parameter]?.value;
		const into = fresh[target.parameter];
		const to = target.value;
		if (from === undefined || into === undefined || to === null || volumeL === null || from === into)
			return null;
		const { fraction: once, possible } = fractionFor(from, to, into);
		if (!possible || to === into) return { possible: false as const, into };
		const { count } = changesFor(from, to, into, fraction);
		const turnovers = turnoversFor(from, to, into);
		return {
			possible: true as const,
			onceL: once * volumeL,
			count,
			continuousL: turnovers * volumeL,
			check: afterContinuous(from, into, turnovers).level
		};
	});
	const targets = $derived(
		(Object.keys(tank) as ParameterId[])
			.filter((p) => p !== 'ph' && p !== 'temperature')
			.map((value) => ({ value, name: PARAMETERS[value].name }))
	);
</script>

<main class="page max-w-[64rem]!">
	<h1 class="text-3xl">A water change</h1>
	{#if volumeL === null}
		<p class="mt-3">The net volume of this water is not known, so that a change cannot be reckoned.</p>
	{:else}
		{#if neglected}
			<section class="mt-4 border-l-4 border-warn pl-4" aria-labelledby="neglected">
				<h2 id="neglected" class="text-lg">No big change now: in this order</h2>
				<ol class="list-decimal pl-6">
					{#each neglected as step (step)}<li class="py-0.5">{NEGLECTED[step]}</li>{/each}
				</ol>
			</section>
		{/if}
		<form method="get" class="mt-5 grid gap-5 sm:grid-cols-2 lg:grid-cols-4">
			<LitresField name="litres" label="Water changed" value={String(wish.litres)} />
			<Field name="count" label="How often" unit="times" inputmode="numeric" value={String(wish.count)} />
			<Field name="everyDays" label="Every" unit="days" inputmode="numeric" value={String(wish.everyDays)} />
			<Choice
				name="batch"
				label="New water"
				value={wish.batch}
				items={batches.length > 0
					? batches.map((b) => ({ value: b.name, name: b.name }))
					: [{ value: '', name: 'no batch was mixed yet' }]}
			/>
			<Choice name="target" label="To bring" value={target.parameter} items={targets} />
			<Field
				name="to"
				label="To"
				unit={symbolAfter(units[target.parameter]).trim()}
				inputmode="decimal"
				value={target.value === null ? '' : level(target.parameter, target.value)}
			/>
			<div class="self-end"><Button type="submit">Reckon it</Button></div>
		</form>
		{#if fault}<div class="mt-5"><Fault text={fault} /></div>{/if}
		{#if batch}
			{#each batch.findings as finding, i (i)}
				<p class="mt-4 border-l-4 border-warn pl-3">
					<strong class="text-warn">{batch.name}.</strong>
					{batchFindingWords(finding)}
				</p>
			{/each}
		{/if}
		{#if reach}
			<p class="mt-5 max-w-[46rem] text-lg">
				{#if reach.possible}
					To bring {nameWithin(target.parameter)} to {level(target.parameter, target.value!)}{symbolAfter(
						units[target.parameter]
					)}: {reach.count}
					{reach.count === 1 ? 'change' : 'changes'} of {litresWords(wish.litres)}; or {litresWords(
						Number(reach.onceL.toPrecision(3))
					)} at once; or {litresWords(Number(reach.continuousL.toPrecision(3)))} drop by drop, in and out at the
					same pace.
				{:else}
					No change with this water leads there: it holds {level(target.parameter, reach.into)} itself.
				{/if}
			</p>
		{/if}

		<section aria-labelledby="moves" class="mt-8">
			<h2 id="moves" class="text-2xl">What one change moves</h2>
			{#if seen.length === 0}
				<p class="mt-2 text-muted">
					Nothing can be said: the new water was not tested. Test salinity, alkalinity and magnesium in the
					barrel.
				</p>
			{:else}
				<div class="mt-2">
					<Table wide="What one change moves">
						<thead
							><tr class="border-b"
								><th class="py-2 pr-6">Of the water</th><th class="py-2 pr-6 text-right">now</th><th
									class="py-2 pr-6 text-right">new water</th
								><th class="py-2 pr-6 text-right">after</th><th class="py-2">a day may change</th></tr
							></thead
						>
						<tbody>
							{#each moves as m (m.parameter)}
								<tr class="border-b">
									<td class="py-1.5 pr-6">{PARAMETERS[m.parameter].name}</td>
									<td class="py-1.5 pr-6 text-right">{level(m.parameter, m.before)}</td>
									<td class="py-1.5 pr-6 text-right">{level(m.parameter, fresh[m.parameter]!)}</td>
									<td class="py-1.5 pr-6 text-right font-semibold {m.within ? '' : 'text-warn'}"
										>{level(m.parameter, m.after)}</td
									>
									<td class="py-1.5"
										>{m.limit === null ? 'any' : plain(m.limit)}{m.within ? '' : ': too much at once'}</td
									>
								</tr>
							{/each}
						</tbody>
					</Table>
				</div>
				{#if beyond.length > 0 && largest}
					<p class="mt-3 border-l-4 border-warn pl-3">
						At most {litresWords(Number(largest.litres.toPrecision(2)))} at one time, or {largest.by
							? nameWithin(largest.by)
							: 'the water'} changes by more than a day may. Take more, smaller changes.
					</p>
				{/if}
			{/if}
		</section>

		{#if wish.count > 1 && series.length > 1 && seen.length > 0}
			<section aria-labelledby="series" class="mt-8">
				<h2 id="series" class="text-2xl">One after the other</h2>
				<div class="mt-2">
					<Table wide="Levels after each change">
						<thead
							><tr class="border-b"
								><th class="py-2 pr-6">After change</th>{#each seen as p (p)}<th class="py-2 pr-6 text-right"
										>{PARAMETERS[p].symbol}{symbolAfter(units[p])}</th
									>{/each}</tr
							></thead
						>
						<tbody>
							{#each series as step (step.number)}
								<tr class="border-b"
									><td class="py-1.5 pr-6">{step.number}</td>{#each seen as p (p)}<td
											class="py-1.5 pr-6 text-right">{level(p, step.levels[p] ?? 0)}</td
										>{/each}</tr
								>
							{/each}
						</tbody>
					</Table>
				</div>
				<p class="small mt-2 text-muted">
					With what lives in the water going on as it does now, between the changes.
				</p>
			</section>
		{/if}

		<May what="decide" said>
			<form method="post" action="?/start" use:enhance={sending} class="mt-6">
				<Hidden name="id" value={id} />
				<Hidden name="request" value={JSON.stringify({ kind: 'changes', ...wish })} />
				<Button kind="primary" size="large" type="submit"
					>{wish.count > 1 ? 'Plan these changes' : 'Plan this change'}</Button
				>
			</form>
		</May>

		<section aria-labelledby="list" class="mt-10">
			<h2 id="list" class="text-2xl">At the tank, one after the other</h2>
			<ol class="mt-2 border-b">
				{#each CHANGE_STEPS as step, i (step)}
					<li class="border-t">
						<Checkbox large class="min-h-12 items-center py-1"
							><span class="figures text-muted">{i + 1}</span> {CHANGE_WORDS[step]}</Checkbox
						>
					</li>
				{/each}
			</ol>
			<p class="small mt-2 text-muted">
				Cleaning the sand takes good and bad with it: a part at a time. A change may raise salinity where the
				new water is saltier.
			</p>
		</section>
		<Dangers dangers={['mains', 'slowly']} />
	{/if}
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
