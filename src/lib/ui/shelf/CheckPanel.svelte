<script lang="ts">
	import { enhance } from '$app/forms';
	import type { ThingAnswer, WeighedDecision } from '$lib/contract/shelf-view';
	import { parametersOf } from '$lib/core/method';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { clockTime, shortDay } from '$lib/format/date';
	import { resultInUnit } from '$lib/format/quantity';
	import {
		correctionSentence,
		findingSentence,
		kitStateWords,
		obstacleWords,
		standardSentence
	} from '$lib/format/shelf/shelf';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import MovesTable from '$lib/ui/shared/MovesTable.svelte';

	interface Props {
		waterId: string;
		found: ThingAnswer;
		weighed: WeighedDecision | null;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, found, weighed, id, units, timeZone, now }: Props = $props();

	const { thing } = $derived(found);
	const here = $derived(`/waters/${waterId}/shelf/${thing.id}`);
	const tells = $derived(thing.method ? parametersOf(thing.method) : []);
	/** Readings of standards that no check has used yet: they wait to be weighed. */
	const open = $derived.by(() => {
		const used = new Set(found.checks.flatMap((c) => c.runIds));
		return found.standardsRead.filter((r) => !used.has(r.runId));
	});
	const openFor = (p: ParameterId) => open.filter((r) => r.results.some((x) => x.parameter === p));
	/** What everybody has in the house. */
	const ZERO_WORDS: Readonly<Partial<Record<ParameterId, string>>> = {
		salinity: 'Purified water is one of salinity 0, for the zero; a weighed salt solution is another.',
		temperature: 'Melting ice in purified water is one of 0 °C, good to 0.1 °C.',
		ph: 'Buffer solutions of the probe are its standards: note the value for the day’s temperature.'
	};
	const isPast = (standard: (typeof found.standards)[number]) =>
		standard.supply.goodUntil !== null && standard.supply.goodUntil <= now;
	const bench = (standardId: string) =>
		`/waters/${waterId}/bench?kit=${thing.id}&standard=${standardId}&method=${thing.method?.code ?? ''}`;
</script>

<section id="check" aria-labelledby="check-title" class="mt-10">
	<h2 id="check-title" class="text-2xl">Check on a standard</h2>
	{#if thing.retiredAt === null}
		{#if found.standards.length === 0}
			<p class="mt-2 text-muted">
				No standard on the shelf holds {tells.map(nameWithin).join(' or ')}.
				<a class="link" href="/waters/{waterId}/shelf/new?kind=standard">Put one on it</a>, or
				<a class="link" href="/waters/{waterId}/shelf/standard">make one</a>.
				{ZERO_WORDS[tells[0] ?? 'alkalinity'] ?? ''}
			</p>
		{:else}
			<p class="mt-2 max-w-[44rem] text-muted">
				Test the standard just as you test the water, twice if you can. One standard gives a factor or an
				offset; two, below and above what you usually read, give a line.
			</p>
			<div class="mt-3 flex flex-wrap gap-3">
				{#each found.standards as standard (standard.id)}
					<Button href={bench(standard.id)}
						>Test {standard.name}{isPast(standard) ? ', past its date' : ''}</Button
					>
				{/each}
			</div>
		{/if}
	{/if}

	{#each tells as parameter (parameter)}
		{#if openFor(parameter).length > 0}
			<form method="post" action="?/check" use:enhance class="mt-5 border-2 border-ink p-5">
				<Hidden name="id" value={id} />
				<Hidden name="parameter" value={parameter} />
				<h3 class="text-xl">{PARAMETERS[parameter].name}: read, not weighed yet</h3>
				<ul class="mt-2">
					{#each openFor(parameter) as run (run.runId)}
						{@const result = run.results.find((r) => r.parameter === parameter)}
						<li class="border-t">
							<Checkbox name="run" value={run.runId} checked class="figures min-h-12 items-center">
								<strong>{result ? resultInUnit(result, units[parameter]) : ''}</strong>
								<span class="text-muted"
									>on {run.standard}, {shortDay(run.at, timeZone, now)} {clockTime(run.at, timeZone)}</span
								>
							</Checkbox>
						</li>
					{/each}
				</ul>
				<p class="mt-3"><Button kind="primary" type="submit">What do they say of the kit?</Button></p>
			</form>
		{/if}
	{/each}

	{#each found.checks as check (check.id)}
		{@const { finding } = check}
		{@const unit = units[finding.parameter]}
		{@const asked = weighed?.checkId === check.id ? weighed : null}
		<article class="mt-5 border-t pt-4">
			<h3 class="text-xl {finding.state === 'far-off' ? 'text-warn' : ''}">
				{PARAMETERS[finding.parameter].name}: {kitStateWords(finding.state)}
				<span class="small font-normal text-muted">{shortDay(check.at, timeZone, now)}</span>
			</h3>
			<p class="mt-1">{findingSentence(finding, unit)}</p>
			<ul class="small figures mt-2 text-muted">
				{#each finding.standards as standard, i (i)}<li>
						{standardSentence(standard, finding.parameter, unit)}
					</li>{/each}
				{#if finding.correction}<li class="text-ink">{correctionSentence(finding, unit)}</li>
				{:else if finding.obstacle}<li class="font-semibold text-ink">
						{obstacleWords(finding.obstacle)}
					</li>{/if}
			</ul>
			{#if check.accepted}
				<p class="mt-2 font-semibold">This corrects its readings.</p>
			{/if}
			{#if asked}
				<div class="mt-4 border-2 border-ink p-5">
					<h4 class="text-lg font-semibold">
						{asked.decision === 'withdraw'
							? 'If it no longer corrects'
							: asked.span === 'all'
								? 'If it corrects all that was ever read with this kit'
								: 'If it corrects what is read from the check on'}
					</h4>
					{#if asked.retire && !finding.correction}
						<p class="mt-1">This check found nothing to correct by: its results stay as they are.</p>
					{/if}
					<MovesTable moves={asked.moves} {units} {timeZone} {now} />
					<p class="small mt-2 text-muted">
						Nothing has moved yet. What was read stays as it is in any case.
					</p>
					<form method="post" action="?/decide" use:enhance class="mt-4 flex flex-wrap gap-3">
						<Hidden name="id" value={id} />
						<Hidden name="checkId" value={check.id} />
						<Hidden name="decision" value={asked.decision} />
						<Hidden name="span" value={asked.span} />
						{#if asked.retire}<Hidden name="retire" value="yes" />{/if}
						<Button kind="primary" type="submit"
							>{asked.decision === 'withdraw'
								? 'Take the correction back'
								: asked.retire
									? 'Correct them, and retire the kit'
									: 'Correct by it'}</Button
						>
						<Button kind="quiet" href="{here}#check">Leave it as it is</Button>
					</form>
					{#if asked.retire}
						<form method="post" action="?/note" use:enhance class="mt-3">
							<Hidden name="id" value={id} />
							<Hidden name="kind" value="retired" />
							<Button type="submit">Retire the kit, and leave its results as they are</Button>
						</form>
					{/if}
				</div>
			{:else if check.accepted}
				<p class="mt-3">
					<Button href="{here}?weigh={check.id}&decision=withdraw#check">Take it back</Button>
				</p>
			{:else if thing.retiredAt === null}
				{#if finding.state === 'in-order' && finding.correction}
					<p class="small mt-2 text-muted">
						Correcting by it would bring in more doubt than it takes away.
						<a class="link" href="{here}?weigh={check.id}&span=all#check">Weigh it all the same</a>
					</p>
				{:else if finding.state !== 'in-order' || finding.obstacle}
					<p class="mt-3 flex flex-wrap gap-3">
						{#if finding.correction}
							<Button href="{here}?weigh={check.id}&span=all#check">Correct all its readings by it</Button>
							<Button href="{here}?weigh={check.id}&span=from-check#check">Only from the check on</Button>
						{/if}
						{#if found.standards[0]}
							<Button kind="quiet" href={bench(found.standards[0].id)}>Check it again</Button>
						{/if}
						<Button kind="quiet" href="/waters/{waterId}/shelf/new?kind=kit&method={thing.method?.code ?? ''}"
							>Take another lot</Button
						>
						<Button kind="quiet" href="{here}?weigh={check.id}&span=all&retire=yes#check">Retire it</Button>
					</p>
				{/if}
			{/if}
		</article>
	{/each}
</section>
