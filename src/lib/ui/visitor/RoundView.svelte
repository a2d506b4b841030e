<script lang="ts">
	import type { WaterLine } from '$lib/contract/today';
	import type { Round, RoundTest } from '$lib/core/bench';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { matterWords } from '$lib/format/judgement/matter';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import PrintButton from '$lib/ui/kit/PrintButton.svelte';

	interface Props {
		/** The worst first. */
		lines: readonly WaterLine[];
		/** Null until some are chosen. */
		round: Round | null;
		waterId: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { lines, round, waterId, units, timeZone, now }: Props = $props();

	const chosen = $derived(new Set(round?.stops.map((s) => s.id)));
	const lineOf = (id: string) => lines.find((l) => l.id === id);
	const nameOf = (id: string) => lineOf(id)?.name ?? '';
	const worst = (line: WaterLine) =>
		line.failed
			? 'Could not be judged: look at its log.'
			: line.worst
				? matterWords(line.worst, { units, timeZone, now, base: `/waters/${line.id}` }).title
				: 'Nothing to decide.';
	const along = $derived(round?.needs.filter((n) => n.comesAlong) ?? []);
	const there = $derived(round?.needs.filter((n) => !n.comesAlong) ?? []);
	const kitOf = (test: RoundTest) =>
		test.kit === null
			? test.method === null
				? 'no method here measures it'
				: `no kit for it on any shelf: ${test.method}`
			: `${test.kit.name}${test.kit.lotCode ? `, lot ${test.kit.lotCode}` : ''}${test.isThere ? ', stands there' : `, from ${test.kit.site}`}`;
</script>

{#snippet kits(title: string, needs: Round['needs'], none: string)}
	<h3 class="mt-5 text-lg">{title}</h3>
	<ul class="mt-1 border-b">
		{#each needs as { kit, tanks, isShort } (kit.id)}
			<li class="border-t py-2">
				<strong>{kit.name}</strong>{kit.lotCode ? `, lot ${kit.lotCode}` : ''}
				<span class="small block text-muted"
					>from {kit.site}, for {tanks.map(nameOf).join(', ')}{kit.testsLeft === null
						? ''
						: `; ${kit.testsLeft} tests are left in it`}</span
				>
				{#if isShort}<span class="block font-semibold text-warn">Not enough for all: take another.</span>{/if}
			</li>
		{:else}
			<li class="border-t py-2 text-muted">{none}</li>
		{/each}
	</ul>
{/snippet}

<main class="page print:p-0!">
	<div class="flex flex-wrap items-baseline justify-between gap-4">
		<h1 class="text-3xl">A round of tanks</h1>
		<a class="link print:hidden" href="/waters/{waterId}/today">Back to Today</a>
	</div>
	<div class="mt-4 grid gap-x-12 gap-y-8 {round ? 'lg:grid-cols-2' : 'max-w-[52rem]'} print:block">
		<form method="get" class="min-w-0 print:hidden">
			<p class="text-muted">All waters that you look after, the one that needs you most first.</p>
			<ul class="mt-3 border-b">
				{#each lines as line (line.id)}
					<li class="border-t">
						<Checkbox
							name="tank"
							value={line.id}
							checked={chosen.has(line.id)}
							large
							class="min-h-14 items-start gap-3 py-3"
						>
							<span class="flex flex-wrap items-baseline gap-x-3"
								><strong class="text-lg">{line.name}</strong>
								<span class="small text-muted">{line.site}</span></span
							>
							<span class="block {line.worst?.danger || line.failed ? 'font-semibold text-warn' : ''}"
								>{line.worst?.danger ? 'Danger: ' : ''}{worst(line)}{line.others > 0
									? ` And ${line.others} more.`
									: ''}</span
							>
							<span class="small block text-muted"
								>{line.due.length > 0
									? `To test: ${line.due.map(nameWithin).join(', ')}.`
									: 'Nothing is due.'}
								{line.lastReadAt === null
									? 'Never read.'
									: `Read ${ago(line.lastReadAt, timeZone, now)}.`}</span
							>
						</Checkbox>
					</li>
				{/each}
			</ul>
			<p class="mt-4">
				<Button type="submit" kind={round ? 'secondary' : 'primary'}
					>{round ? 'Plan it anew' : 'Plan the round'}</Button
				>
			</p>
		</form>
		{#if round}
			<section class="min-w-0" aria-labelledby="plan">
				<div class="flex flex-wrap items-center justify-between gap-4">
					<h2 id="plan" class="text-2xl">
						{round.stops.length === 1 ? 'One tank' : `${round.stops.length} tanks`}
					</h2>
					<PrintButton />
				</div>
				{@render kits('Comes along', along, 'Nothing: all kits stand where they are needed.')}
				{@render kits('Stands there', there, 'No kit stands at these tanks.')}
				<ol class="mt-7">
					{#each round.stops as stop, i (stop.id)}
						<li class="border-t-2 border-ink py-3">
							<div class="flex flex-wrap items-baseline justify-between gap-x-4">
								<h3 class="text-xl">{i + 1}. {nameOf(stop.id)}</h3>
								<a class="link print:hidden" href="/waters/{stop.id}/bench"
									>To its bench<span class="visually-hidden">: {nameOf(stop.id)}</span></a
								>
							</div>
							<ul class="mt-1">
								{#each stop.tests as test (test.parameter)}
									<li class="grid gap-x-4 py-1 sm:grid-cols-[9rem_minmax(0,1fr)]">
										<span>{PARAMETERS[test.parameter].name}</span>
										<span class="small {test.kit ? 'text-muted' : 'text-warn'}">{kitOf(test)}</span>
									</li>
								{:else}
									<li class="text-muted">Nothing is due: look at it, and go on.</li>
								{/each}
							</ul>
						</li>
					{/each}
				</ol>
			</section>
		{/if}
	</div>
</main>
