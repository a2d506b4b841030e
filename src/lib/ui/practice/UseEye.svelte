<script lang="ts">
	import { enhance } from '$app/forms';
	import type { ResultMove } from '$lib/contract/shelf-view';
	import type { ReaderFinding, Subject } from '$lib/core/practice';
	import type { Method } from '$lib/core/method';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Fault } from '$lib/core/result';
	import type { Instant } from '$lib/core/time';
	import { faultText } from '$lib/format/faults/faults';
	import { fixed, plain } from '$lib/format/number';
	import { subjectName } from '$lib/format/practice/practice';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Tabs from '$lib/ui/kit/Tabs.svelte';
	import MovesTable from '$lib/ui/shared/MovesTable.svelte';

	interface Props {
		weighed: {
			readonly key: string;
			readonly subject: Subject;
			readonly decision: 'use' | 'stop';
			readonly span: 'from-now' | 'all';
			readonly fault: Fault | null;
			readonly finding: ReaderFinding | null;
			readonly moves: readonly ResultMove[];
		};
		methods: readonly Method[];
		base: string;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { weighed, methods, base, id, units, timeZone, now }: Props = $props();

	const name = $derived(subjectName(weighed.subject, methods));
	const link = $derived(
		(span: string) => `${base}?weigh=${encodeURIComponent(weighed.key)}&decision=use&span=${span}`
	);
	/** How far readings move by it, steps. */
	const bias = $derived(
		weighed.finding && weighed.finding.kind !== 'steps' ? Math.abs(weighed.finding.eye.bias) : 0
	);
	const steps = $derived.by(() => {
		const { finding } = weighed;
		if (finding?.kind !== 'steps') return [];
		const method = methods.find((m) => m.code === finding.methodCode);
		const row = method && 'colourSteps' in method ? method.colourSteps : [];
		return finding.mixedUp.map((i) => `${plain(row[i]?.value ?? 0)} and ${plain(row[i + 1]?.value ?? 0)}`);
	});
</script>

<section class="mb-8 border-2 border-ink p-5" aria-labelledby="use-title">
	<h2 id="use-title" class="text-2xl">
		{weighed.decision === 'stop'
			? `No longer use what was found of you: ${name}`
			: `Use what was found of you: ${name}`}
	</h2>
	{#if weighed.fault}
		<p class="mt-2 font-semibold">{faultText(weighed.fault)}</p>
		<p class="mt-3"><Button kind="quiet" href={base}>Back</Button></p>
	{:else}
		{#if weighed.finding?.kind === 'end-point' || weighed.finding?.kind === 'scale'}
			{@const { eye } = weighed.finding}
			<p class="figures mt-2 max-w-[46rem]">
				{fixed(Math.abs(eye.bias), 2)}
				{weighed.finding.kind === 'scale' ? 'divisions' : 'drops'}
				{eye.bias > 0 ? 'are taken off' : 'are added to'} what you read, known to ± {fixed(2 * eye.uBias, 2)};
				one reading of yours varies by {fixed(eye.spread, 2)}. This takes the place of what the kit assumes of
				anybody.
			</p>
		{:else if weighed.finding?.kind === 'steps'}
			<p class="mt-2 max-w-[46rem]">
				{steps.length === 0
					? 'You tell all its steps apart as far as was asked: nothing is widened.'
					: `${steps.join(', ')} are told as either of both where you read one of them.`}
			</p>
		{/if}
		{#if weighed.decision === 'use'}
			<div class="mt-3">
				<Tabs
					label="From when on"
					items={[
						{
							href: link('from-now'),
							name: 'For what I read from now on',
							current: weighed.span === 'from-now'
						},
						{ href: link('all'), name: 'For all that I ever read', current: weighed.span === 'all' }
					]}
				/>
			</div>
		{/if}
		{#if weighed.decision === 'use' && weighed.span === 'from-now' && bias > 0.3}
			<p class="mt-3 max-w-[46rem]">
				From that day on your readings stand apart from those before it: a step in the curve that the water
				did not make. “For all” puts the earlier ones right as well, and makes none.
			</p>
		{/if}
		{#if weighed.moves.length > 0}
			<MovesTable moves={weighed.moves} {units} {timeZone} {now} />
		{:else}
			<p class="mt-3">
				{weighed.decision === 'use' && weighed.span === 'from-now'
					? 'No result of the past moves. Choose “for all” to see how each of them would.'
					: 'No result moves.'}
			</p>
		{/if}
		<p class="small mt-2 text-muted">
			Nothing has moved yet. What was read stays as it is in any case, and this can be taken back.
		</p>
		<form method="post" action="?/decide" use:enhance class="mt-4 flex flex-wrap gap-3">
			<Hidden name="id" value={id} />
			<Hidden name="subject" value={weighed.key} />
			<Hidden name="decision" value={weighed.decision} />
			<Hidden name="span" value={weighed.span} />
			<Button kind="primary" type="submit">{weighed.decision === 'use' ? 'Use it' : 'Use it no more'}</Button>
			<Button kind="quiet" href={base}>Leave it as it is</Button>
		</form>
	{/if}
</section>
