<script lang="ts">
	import { resolutionOf, stepsFor, timesOf, type Hazard, type Portion } from '$lib/core/method';
	import { convert, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { aboutMinutes, ago } from '$lib/format/date';
	import { CAUTIONS, LABEL_FIRST } from '$lib/format/hazard';
	import { plain } from '$lib/format/number';
	import { inUnit } from '$lib/format/quantity';
	import Action from '$lib/ui/shared/Action.svelte';
	import { typicalUncertainty } from './measure';
	import type { BenchOffer } from './offer';

	interface Props {
		offers: readonly BenchOffer[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		onstart: (code: string, portion: Portion) => void;
	}
	let { offers, units, timeZone, now, onstart }: Props = $props();

	let portions = $state<Record<string, Portion>>({});
	const portionOf = (code: string) => portions[code] ?? 'full';
	const hazardsOf = (offer: BenchOffer): Hazard[] => [
		...new Set(offer.method.reagents.flatMap((r) => r.hazards))
	];

	function about(offer: BenchOffer, portion: Portion) {
		const { method, band, expected } = offer;
		const unit = units[method.parameter];
		const from = PARAMETERS[method.parameter].canonicalUnit;
		const typical = expected?.value ?? band?.aim ?? band?.low ?? 0.5 * resolutionOf(method, portion) * 100;
		const perMark = convert(resolutionOf(method, portion), from, unit);
		return {
			sampleMl: plain(method.sampleMl[portion]),
			perMark: Number(perMark.toPrecision(2)),
			plusMinus: inUnit(method.parameter, typical, typicalUncertainty(method, portion, typical), unit)
				.plusMinus,
			symbol: UNITS[unit].symbol
		};
	}
</script>

<div class="page max-w-[64rem]!">
	<h1 class="text-3xl">What do you test?</h1>
	<p class="mt-1 text-muted">
		One test at a time. An unfinished one is kept on this device until you save it.
	</p>

	<ul class="mt-6">
		{#each offers as offer (offer.method.code)}
			{@const { method } = offer}
			{@const times = timesOf(stepsFor(method, 'full'))}
			<li class="grid gap-x-10 gap-y-4 border-t py-6 md:grid-cols-[1fr_auto]">
				<div>
					<h2 class="text-2xl">{method.name}</h2>
					<p class="text-muted">
						{stepsFor(method, 'full').length} steps, {aboutMinutes(times.totalS)}{aboutMinutes(
							times.handsS
						) === aboutMinutes(times.totalS)
							? ', nearly all of it with your hands'
							: ` in all, ${aboutMinutes(times.handsS)} with your hands`}.
						{#if offer.lastAt}Last read {ago(offer.lastAt, timeZone, now)}.{:else}Not read from this water
							yet.{/if}
					</p>
					<fieldset class="mt-4">
						<legend class="visually-hidden">Sample for {method.name}</legend>
						<div class="grid gap-2 sm:grid-cols-2">
							{#each ['full', 'half'] as const as portion (portion)}
								{@const facts = about(offer, portion)}
								<label
									class="flex cursor-pointer items-start gap-3 rounded-md border-2 p-3 {portionOf(
										method.code
									) === portion
										? 'border-ink'
										: 'border-line'}"
								>
									<input
										type="radio"
										name="portion-{method.code}"
										class="mt-1.5 h-4 w-4 accent-[var(--ink)]"
										checked={portionOf(method.code) === portion}
										onchange={() => (portions[method.code] = portion)}
									/>
									<span>
										<strong class="figures"
											>{portion === 'full' ? 'Full' : 'Half'} sample, {facts.sampleMl} mL</strong
										>
										<span class="small figures block text-muted"
											>one mark is {facts.perMark}
											{facts.symbol}; the result about ± {facts.plusMinus}{portion === 'half'
												? '; half the reagent'
												: ''}</span
										>
									</span>
								</label>
							{/each}
						</div>
					</fieldset>
					<details class="small mt-4">
						<summary class="link inline-block min-h-8">What you need, and cautions</summary>
						<p class="mt-2">
							A vial, a syringe for the sample, the 1 mL syringe that belongs to {method.reagents.at(-1)
								?.label}, purified water, a timer, a white background.
						</p>
						<ul class="mt-2 list-disc pl-5">
							{#each method.reagents as reagent (reagent.label)}
								<li>{reagent.label}: {reagent.what}</li>
							{/each}
						</ul>
						<p class="mt-2">
							<strong>Cautions.</strong>
							{hazardsOf(offer)
								.map((h) => CAUTIONS[h])
								.join(' ')}
							{LABEL_FIRST}
						</p>
					</details>
				</div>
				<div class="md:pt-2">
					<Action
						kind={offer === offers[0] ? 'primary' : 'secondary'}
						size="large"
						class="w-full"
						onclick={() => onstart(method.code, portionOf(method.code))}
						>Start {PARAMETERS[method.parameter].name.toLowerCase()}</Action
					>
				</div>
			</li>
		{/each}
	</ul>
</div>
