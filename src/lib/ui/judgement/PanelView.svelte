<script lang="ts">
	import type { PanelAnswer, PanelTest } from '$lib/contract/findings';
	import { isNoneWanted } from '$lib/core/judgement';
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago, shortDay } from '$lib/format/date';
	import { PANEL_TITLES, panelWords } from '$lib/format/judgement/panel';
	import { resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';

	interface Props {
		waterId: string;
		panel: PanelAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, panel, units, timeZone, now }: Props = $props();

	const missing = $derived(panel.tests.filter((t) => t.since === null));
	const OUTCOMES = ['low', 'inside', 'high'] as const;
	const LABELS = { low: 'Low', inside: 'As it should be', high: 'High' } as const;
	const NUTRIENTS: readonly ParameterId[] = ['nitrate', 'phosphate'];
	/** Of what may be there in traces only, the low outcome is that none was found. */
	const labelOf = (parameter: ParameterId, outcome: (typeof OUTCOMES)[number]) =>
		outcome === 'low' && NUTRIENTS.includes(parameter) ? 'Low, or none' : LABELS[outcome];
	const outcomesOf = (test: PanelTest) =>
		isNoneWanted(test.band) ? (['inside', 'high'] as const) : OUTCOMES;
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">{PANEL_TITLES[panel.happening]}</h1>
	{#if panel.event}
		<p class="mt-1 text-muted">
			{shortDay(panel.event.at, timeZone, now)}, {ago(panel.event.at, timeZone, now)}{panel.event.note
				? `: ${panel.event.note}`
				: ''}
		</p>
	{/if}
	<p class="mt-3 max-w-[44rem]">
		{missing.length === 0
			? 'All of it was tested. What it told stands below.'
			: panel.event
				? 'The most telling first. What was read since stands beside.'
				: 'The most telling first.'}
		{#if panel.happening === 'death'}
			When animals are dying: air first, no food, and a water change does no harm if temperature and salinity
			fit. Sick animals belong to somebody who is trained for it.
		{/if}
	</p>
	{#if missing.length > 0}
		<p class="mt-4">
			<Button kind="primary" size="large" href="/waters/{waterId}/bench?what={panel.happening}"
				>Test these {missing.length === 1 ? 'now' : `${missing.length} now`}</Button
			>
		</p>
	{/if}
	{#if panel.event && panel.happening === 'death'}
		<p class="mt-4">
			<a class="link" href="/waters/{waterId}/around/{panel.event.id}"
				>The panel of the day beside that of the next</a
			>
		</p>
	{/if}
	<ol class="mt-6 border-b">
		{#each panel.tests as test (test.parameter)}
			{@const words = panelWords(panel.happening, test.parameter, test.suspected)}
			<li class="grid gap-x-8 gap-y-1 border-t py-4 md:grid-cols-[15rem_minmax(0,1fr)]">
				<div>
					<h2 class="text-lg leading-tight">{PARAMETERS[test.parameter].name}</h2>
					<p class="small figures mt-1 {test.since ? '' : 'text-muted'}">
						{test.since
							? `${resultInUnit(test.since.result, units[test.parameter])}, ${shortDay(test.since.at, timeZone, now)}`
							: panel.event
								? 'Not tested since'
								: ''}
					</p>
				</div>
				{#if words}
					<div>
						<p>{words.why}</p>
						<dl class="mt-1">
							{#each outcomesOf(test) as outcome (outcome)}
								{@const found = test.since?.outcome === outcome}
								<div class="flex gap-3 py-0.5 {found ? 'border-l-4 border-l-ink pl-3' : ''}">
									<dt class="small w-32 shrink-0 {found ? 'font-semibold' : 'text-muted'}">
										{labelOf(test.parameter, outcome)}{found ? ': found' : ''}
									</dt>
									<dd class={found ? 'font-semibold' : 'small text-muted'}>{words[outcome]}</dd>
								</div>
							{/each}
						</dl>
					</div>
				{/if}
			</li>
		{/each}
	</ol>
</main>
