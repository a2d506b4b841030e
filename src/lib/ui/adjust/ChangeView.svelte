<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { readChangeWish, targetOf } from '$lib/contract/correction-wishes';
	import {
		CHANGE_STEPS,
		type BatchFinding,
		type ChangeGiven,
		type ChangeReckoned,
		type ChangeWish,
		type NeglectedStep
	} from '$lib/core/correction';
	import { convert, nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { batchFindingWords } from '$lib/format/adjust/adjust';
	import { CHANGE_WORDS, NEGLECTED } from '$lib/format/adjust/husbandry';
	import { plain } from '$lib/format/number';
	import { limitInUnit, symbolAfter } from '$lib/format/quantity';
	import { litresWords } from '$lib/format/volume';
	import May from '$lib/ui/access/May.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import LitresField from '$lib/ui/kit/LitresField.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import TickList from '$lib/ui/shared/TickList.svelte';
	import Dangers from './Dangers.svelte';
	import LiveForm from '$lib/ui/shared/LiveForm.svelte';
	import MovePicture from './MovePicture.svelte';
	import { Reckoned } from './Reckoned.svelte';

	interface Props {
		waterId: string;
		given: ChangeGiven;
		batches: readonly { readonly name: string; readonly findings: readonly BatchFinding[] }[];
		bands: Readonly<
			Partial<Record<ParameterId, { readonly low: number | null; readonly high: number | null }>>
		>;
		/** What the address asked, and what of it could not be read. */
		asked: {
			readonly wish: ChangeWish;
			readonly wrong: readonly string[];
			readonly target: ParameterId;
			readonly typed: Readonly<Record<string, string>>;
		};
		/** What is answered to it. */
		answer: ChangeReckoned;
		neglected: readonly NeglectedStep[] | null;
		id: string;
		/** Of the water's place; the ticks of another day are others. */
		day: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		fault: string;
	}
	let { waterId, given, batches, bands, asked, answer, neglected, id, day, units, fault }: Props = $props();

	const level = (parameter: ParameterId, value: number) =>
		limitInUnit(parameter, Number(value.toPrecision(3)), units[parameter]);
	const inUnit = (parameter: ParameterId, value: number) =>
		convert(value, PARAMETERS[parameter].canonicalUnit, units[parameter]);

	/** What stands in the form; what is told answers a wish of its own, which may be the one before. */
	let form = $state.raw(untrack(() => ({ wrong: asked.wrong, target: asked.target })));
	const reckoned = new Reckoned<'change', { readonly wish: ChangeWish; readonly target: ParameterId }>(
		() => ({
			asked,
			answer
		})
	);
	const { wish, target } = $derived(reckoned.told.asked);
	const { moves, largest, series, reach, fresh } = $derived(reckoned.told.answer);
	const isUnread = $derived(form.wrong.length > 0);
	/** What stood in the fields when the page came. */
	const begun = untrack(() => asked);

	function ask(query: URLSearchParams): void {
		const read = readChangeWish(query, { volumeL: given.volumeL, newest: batches[0]?.name ?? '', units });
		form = { wrong: read.wrong, target: targetOf(query) };
		// What could not be read would be answered as if something else had been asked.
		if (read.wrong.length > 0) return;
		reckoned.ask({ kind: 'change', given, wish: read.wish }, { wish: read.wish, target: form.target });
	}
	const batch = $derived(batches.find((b) => b.name === wish.batch) ?? null);
	const beyond = $derived(moves.some((m) => !m.within));
	const targets = $derived(
		(Object.keys(given.tank) as ParameterId[])
			.filter((p) => p !== 'ph' && p !== 'temperature')
			.map((value) => ({ value, name: PARAMETERS[value].name }))
	);
	const bandOf = (p: ParameterId) => {
		const band = bands[p];
		if (!band) return null;
		return {
			low: band.low === null ? null : inUnit(p, band.low),
			high: band.high === null ? null : inUnit(p, band.high)
		};
	};
	const afterEach = (p: ParameterId) => series.map((s) => inUnit(p, s.levels[p] ?? 0));
	const last = (p: ParameterId) => series.at(-1)?.levels[p] ?? 0;
	/** What goes with the plan; a plan knows no target. */
	const request = $derived({
		kind: 'changes',
		litres: wish.litres,
		count: wish.count,
		everyDays: wish.everyDays,
		batch: wish.batch
	});
</script>

<main class="page">
	<h1 class="text-3xl">A water change</h1>
	{#if neglected}
		<section class="mt-4 border-l-4 border-warn pl-4" aria-labelledby="neglected">
			<h2 id="neglected" class="text-lg">No big change now: in this order</h2>
			<ol class="list-decimal pl-6">
				{#each neglected as step (step)}<li class="py-0.5">{NEGLECTED[step]}</li>{/each}
			</ol>
		</section>
	{/if}
	<div class="mt-5 grid gap-x-10 gap-y-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
		<div>
			<LiveForm onask={ask} class="grid grid-cols-2 gap-x-4 gap-y-5">
				<LitresField
					name="litres"
					label="Water changed"
					value={begun.typed.litres || String(begun.wish.litres)}
				/>
				<Choice
					name="batch"
					label="New water"
					value={begun.wish.batch}
					items={batches.length > 0
						? batches.map((b) => ({ value: b.name, name: b.name }))
						: [{ value: '', name: 'no batch was mixed yet' }]}
				/>
				<Field
					name="count"
					label="How often"
					unit="times"
					inputmode="numeric"
					value={begun.typed.count || String(begun.wish.count)}
				/>
				<Field
					name="everyDays"
					label="Every"
					unit="days"
					inputmode="numeric"
					value={begun.typed.everyDays || String(begun.wish.everyDays)}
				/>
				<Choice name="target" label="To bring" value={begun.target} items={targets} />
				<Field
					name="to"
					label="To"
					unit={symbolAfter(units[form.target]).trim()}
					inputmode="decimal"
					value={begun.typed.to ?? ''}
				/>
			</LiveForm>
			{#if isUnread || fault || reckoned.trouble}
				<div class="mt-5">
					<Fault
						text={fault ||
							reckoned.trouble ||
							`Give litres up to the volume of the water, 1 to 30 changes, every 1 to 60 days. What could not be read: ${form.wrong.join(', ')}. What stands beside does not answer it.`}
					/>
				</div>
			{/if}
			{#if !isUnread}<May what="decide" said>
					<form method="post" action="?/start" use:enhance={sending} class="mt-6">
						<Hidden name="id" value={id} />
						<Hidden name="request" value={JSON.stringify(request)} />
						<Button kind="primary" size="large" type="submit"
							>{wish.count > 1 ? 'Plan these changes' : 'Plan this change'}</Button
						>
					</form>
				</May>{/if}
		</div>

		<div class="min-w-0" aria-live="polite">
			{#if reach}
				<p class="mb-5 max-w-[46rem] text-lg">
					{#if reach.possible}
						To bring {nameWithin(target)} to {level(target, wish.target!.value)}{symbolAfter(units[target])}: {reach.count}
						{reach.count === 1 ? 'change' : 'changes'} of {litresWords(wish.litres)}; or {litresWords(
							Number(reach.onceL.toPrecision(3))
						)} at once; or {litresWords(Number(reach.continuousL.toPrecision(3)))} drop by drop, in and out at the
						same pace.
					{:else}
						No change with this water leads there: it holds {level(target, reach.into)} itself.
					{/if}
				</p>
			{/if}
			<section aria-labelledby="moves">
				<h2 id="moves" class="text-2xl">
					{wish.count > 1
						? `What ${wish.count} changes of ${litresWords(wish.litres)} move`
						: `What one change of ${litresWords(wish.litres)} moves`}
				</h2>
				{#if moves.length === 0}
					<p class="mt-2 text-muted">
						Nothing can be said: the new water was not tested. Test salinity, alkalinity and magnesium in the
						barrel.
					</p>
				{:else}
					<ul class="figures mt-2 border-b">
						{#each moves as m (m.parameter)}
							{@const p = m.parameter}
							<li
								class="grid grid-cols-[1fr_auto] items-center gap-x-6 gap-y-1 border-t py-2 sm:grid-cols-[7rem_minmax(8rem,1fr)_12rem_9rem]"
							>
								<span class="font-semibold">{PARAMETERS[p].name}</span>
								<span class="max-sm:order-last max-sm:col-span-2">
									<MovePicture
										band={bandOf(p)}
										before={inUnit(p, m.before)}
										after={wish.count > 1 ? afterEach(p) : [inUnit(p, m.after)]}
										warn={!m.within}
										words="{PARAMETERS[p].name} from {level(p, m.before)} to {level(
											p,
											wish.count > 1 ? last(p) : m.after
										)}{symbolAfter(units[p])}"
									/>
								</span>
								<span class="whitespace-nowrap"
									>{level(p, m.before)} →
									<strong class={m.within ? '' : 'text-warn'}
										>{level(p, wish.count > 1 ? last(p) : m.after)}</strong
									><span class="small text-muted">{symbolAfter(units[p])}</span></span
								>
								<span class="small text-muted max-sm:col-span-2">
									new water {level(p, fresh[p]!)}<br />
									{#if m.within}a day may: {m.limit === null ? 'any' : plain(m.limit)}
									{:else}<strong class="text-warn">a day may {plain(m.limit!)}: too much at once</strong>{/if}
								</span>
							</li>
						{/each}
					</ul>
					<p class="small mt-2 text-muted">
						Open ring: now. Full dot: after{wish.count > 1
							? ' the last, small dots after each; what lives in the water goes on as it does now'
							: ''}. Grey: what is wanted.
					</p>
					{#if beyond}
						<p class="mt-3 border-l-4 border-warn pl-3">
							At most {litresWords(Number(largest.litres.toPrecision(2)))} at one time, or {largest.by
								? nameWithin(largest.by)
								: 'the water'} changes by more than a day may. Take more, smaller changes.
						</p>
					{/if}
				{/if}
				{#if batch}
					{#each batch.findings as finding, i (i)}
						<p class="mt-4 border-l-4 border-warn pl-3">
							<strong class="text-warn">{batch.name}.</strong>
							{batchFindingWords(finding)}
						</p>
					{/each}
				{/if}
			</section>
		</div>
	</div>

	<section aria-labelledby="list" class="mt-10">
		<h2 id="list" class="text-2xl">At the tank, one after the other</h2>
		<TickList
			class="mt-2 border-y"
			label="At the tank"
			list="change/{waterId}/{day}"
			lines={CHANGE_STEPS.map((step) => CHANGE_WORDS[step])}
		/>
		<p class="mt-4 flex flex-wrap gap-3">
			<Button href="/waters/{waterId}/bench?what=before-change">Test before it</Button>
			<Button
				href="/waters/{waterId}/log/new?kind=water-change&litres={wish.litres}&batch={encodeURIComponent(
					wish.batch
				)}">It is done: enter it</Button
			>
			<Button href="/waters/{waterId}/bench?what=after-change">Test the same after it</Button>
		</p>
		<p class="small mt-2 text-muted">
			Cleaning the sand takes good and bad with it: a part at a time. A change may raise salinity where the
			new water is saltier.
		</p>
	</section>
	<Dangers dangers={['mains', 'slowly']} />
	<p class="mt-8"><a class="link" href="/waters/{waterId}/adjust">Back to all corrections</a></p>
</main>
