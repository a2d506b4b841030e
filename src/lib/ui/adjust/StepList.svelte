<script lang="ts">
	import { enhance } from '$app/forms';
	import type { SeenStep } from '$lib/core/correction';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { addDays, type Instant } from '$lib/core/time';
	import { stepAside, stepWords } from '$lib/format/adjust/adjust';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import May from '$lib/ui/access/May.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		steps: readonly SeenStep[];
		startsAt: Instant;
		/** 0 is the plan's first day. */
		today: number;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		/** May be pressed: the plan runs. */
		runs: boolean;
		waterId: string;
		/** A fresh id for each step that can be told of. */
		ids: Readonly<Record<string, string>>;
		/** The method that each parameter was read with last. */
		kits?: Readonly<Partial<Record<ParameterId, string>>>;
	}
	let { steps, startsAt, today, units, timeZone, now, runs, waterId, ids, kits = {} }: Props = $props();

	const days = $derived([...new Set(steps.map((s) => s.day))].sort((a, b) => a - b));
	const STATE = { open: '', done: 'done', skipped: 'left out', missed: 'missed, not caught up' } as const;
	const hasAmount = (s: SeenStep) =>
		s.what.kind === 'dose' ||
		s.what.kind === 'change' ||
		s.what.kind === 'salinity' ||
		s.what.kind === 'daily-dose';
	function benchHref(step: SeenStep): string {
		if (step.what.kind !== 'test') return '';
		const tests = step.what.parameters.flatMap((p) => kits[p] ?? []);
		return `/waters/${waterId}/bench?tests=${[...new Set(tests)].join(',')}&times=${step.what.repeats}`;
	}
	const unitOf = (s: SeenStep) =>
		s.what.kind === 'dose' || s.what.kind === 'daily-dose'
			? s.what.unit === 'ml'
				? 'mL'
				: 'g'
			: s.what.kind === 'salinity' && s.what.saltKg > 0
				? 'g'
				: 'L';
	/** The first thing that is open on or before today is the next to press. */
	const next = $derived(steps.find((s) => s.state === 'open' && s.day <= today)?.id ?? null);
</script>

<ol>
	{#each days as day (day)}
		{@const isToday = day === today}
		<li
			class="grid gap-x-6 border-t py-3 sm:grid-cols-[8.5rem_minmax(0,1fr)] {day < today ? 'text-muted' : ''}"
		>
			<div>
				<strong class={isToday ? '' : 'font-semibold'}>{isToday ? 'Today' : `Day ${day + 1}`}</strong>
				<span class="small block text-muted">{shortDay(addDays(startsAt, day), timeZone, now)}</span>
			</div>
			<ul>
				{#each steps.filter((s) => s.day === day) as step (step.id)}
					<li class="py-1.5">
						<div class="flex flex-wrap items-baseline justify-between gap-x-4">
							<span
								class="figures {isToday ? 'text-lg font-semibold' : ''} {step.state === 'skipped' ||
								step.state === 'missed'
									? 'line-through decoration-line-strong'
									: ''}">{step.state === 'done' ? '✓ ' : ''}{stepWords(step, units)}</span
							>
							<span class="small text-muted">{STATE[step.state] || stepAside(step, units)}</span>
						</div>
						{#if step.given !== null}<p class="small">Given: {step.given} {unitOf(step)}</p>{/if}
						{#if step.note}<p class="small">{step.note}</p>{/if}
						{#if runs && step.state === 'open' && day <= today && step.what.kind === 'test'}
							<p class="mt-2 print:hidden">
								<Button kind={step.id === next ? 'primary' : 'secondary'} href={benchHref(step)}
									>Go to the bench</Button
								>
							</p>
						{:else if runs && (step.state === 'open' || step.state === 'missed') && day <= today}
							<May what="carry-out">
								<form
									method="post"
									action="?/step"
									use:enhance={sending}
									class="mt-2 flex flex-wrap items-end gap-3 print:hidden"
								>
									<Hidden name="id" value={ids[step.id]} />
									<Hidden name="stepId" value={step.id} />
									{#if step.state === 'open'}
										<Button
											kind={step.id === next ? 'primary' : 'secondary'}
											type="submit"
											name="outcome"
											value="done">{step.what.kind === 'remedy' ? 'Seen to it' : 'Done as written'}</Button
										>
										<Button kind="quiet" type="submit" name="outcome" value="skipped">Leave it out</Button>
									{:else}
										<Button kind="quiet" type="submit" name="outcome" value="done"
											>It was done after all</Button
										>
									{/if}
									{#if hasAmount(step)}
										<Disclosure title="Another amount" look="link small min-h-11 py-3">
											<Field
												name="amount"
												inputmode="decimal"
												label="Amount as given"
												bare
												unit={unitOf(step)}
												class="mt-1 w-44"
											/>
										</Disclosure>
									{/if}
								</form>
							</May>
						{/if}
					</li>
				{/each}
			</ul>
		</li>
	{/each}
</ol>
