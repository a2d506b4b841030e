<script lang="ts">
	import type { KnownSeries } from '$lib/contract/practice-view';
	import { nameWithin, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { resultInUnit } from '$lib/format/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { plain } from '$lib/format/number';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	interface Props {
		waterId: string;
		series: KnownSeries;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
	}
	let { waterId, series, units, timeZone, now }: Props = $props();

	const base = $derived(`/waters/${waterId}/practice`);
	const { method } = $derived(series);
	const steps = $derived('colourSteps' in method ? method.colourSteps : []);
	const symbol = $derived('colourSteps' in method ? UNITS[method.unit].symbol : '');
</script>

<main class="page max-w-[64rem]!">
	<p class="label"><a class="link" href={base}>Practice</a> · Known concentrations</p>
	<h1 class="mt-1 text-3xl leading-tight md:text-4xl">See what zero, middle and high look like</h1>
	<p class="mt-2 max-w-[44rem] text-muted">
		Standards made at home at three levels, tested with your own kit in your own light. Read each before you
		look at its label, photograph each against white: the row is your own chart beside the printed one.
	</p>
	<form method="get" class="mt-4 flex flex-wrap items-end gap-3">
		<Choice
			label="Kit"
			name="kit"
			value={method.code}
			items={series.kits}
			class="w-72"
			onpick={(_, form) => form?.requestSubmit()}
		/>
		<Button type="submit">Show</Button>
	</form>

	<ol class="mt-6">
		{#each series.levels as level, i (level.name)}
			<li class="border-t py-4">
				<div class="flex flex-wrap items-start justify-between gap-4">
					<div>
						<p class="label">{i + 1} · {level.name}</p>
						{#if level.standard}
							<p class="figures mt-1 text-2xl font-bold">{level.standard.value}</p>
							<p class="small text-muted">{level.standard.name}</p>
						{:else}
							<p class="mt-1">Not on the shelf yet.</p>
						{/if}
					</div>
					<div class="flex flex-wrap gap-3">
						{#if level.standard}
							<Button
								href="/waters/{waterId}/bench?standard={level.standard.id}&method={encodeURIComponent(
									method.code
								)}">Test it, blind</Button
							>
						{:else}
							<Button href="/waters/{waterId}/shelf/standard">Make one</Button>
						{/if}
					</div>
				</div>
				{#if level.standard && level.standard.read.length > 0}
					<ul class="mt-2 flex flex-wrap gap-4">
						{#each level.standard.read as read (read.readingId)}
							<li class="small figures">
								<a class="link" href="/waters/{waterId}/log/{read.readingId}"
									>{shortDay(read.at, timeZone, now)}</a
								>:
								{read.result ? resultInUnit(read.result, units[read.result.parameter]) : '–'}
								<span class="mt-1 flex gap-2">
									{#each read.photographs as photograph, p (photograph)}
										<img
											src="/waters/{waterId}/photographs/{photograph}"
											alt="The vial of {level.name}, {p + 1}"
											class="h-24 w-auto border"
											loading="lazy"
										/>
									{/each}
								</span>
								{#if read.photographs.length === 0}<span class="text-muted"
										>no photograph yet: open it and add one</span
									>{/if}
							</li>
						{/each}
					</ul>
				{/if}
			</li>
		{/each}
	</ol>
	{#if steps.length > 0}
		<section class="mt-6 border-t pt-4" aria-labelledby="chart-title">
			<h2 id="chart-title" class="text-xl">Beside the card’s row</h2>
			<ul class="mt-2 flex flex-wrap">
				{#each steps as step (step.value)}
					<li class="small figures w-20 text-center">
						<svg viewBox="0 0 10 10" preserveAspectRatio="none" class="h-16 w-full border" aria-hidden="true"
							><rect width="10" height="10" fill={step.colour.css} /></svg
						>
						{plain(step.value)}
						{symbol}
					</li>
				{/each}
			</ul>
			<p class="small mt-2 text-muted">
				Swatches only find one’s place: hold your photographs against the printed card of the {nameWithin(
					method.parameter
				)} kit, in daylight.
			</p>
		</section>
	{/if}
	<p class="small mt-6 max-w-[44rem] text-muted">
		Standards are made from reagents: gloves and goggles, labels on every bottle, out of children’s reach;
		what the label and the safety data sheet say comes first. What was tested is waste, never tank water.
	</p>
</main>
