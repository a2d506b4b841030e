<script lang="ts">
	import type { BenchOffer } from '$lib/contract/bench';
	import { typedNumber } from '$lib/core/numeric';
	import {
		convert,
		convertSpan,
		nameWithin,
		PARAMETERS,
		UNITS,
		type ParameterId,
		type UnitId
	} from '$lib/core/quantity';
	import { COVERAGE } from '$lib/core/uncertainty';
	import { inUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';

	interface Props {
		desk: BenchDesk;
		contexts: BenchOffer['contexts'];
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { desk, contexts, units }: Props = $props();

	const parameter = $derived(desk.method!.parameter);
	const unit = $derived(units[parameter]);
	const { canonicalUnit } = $derived(PARAMETERS[parameter]);
	const said = $derived(desk.draft?.said ?? null);
	const blind = $derived(desk.draft?.reading.circumstances.blind ?? false);
	let open = $state(false);
	let expected = $state('');
	let give = $state('');
	let fault = $state<string | undefined>();

	function say(): void {
		const [value, half] = [typedNumber(expected), typedNumber(give)];
		if (value === null || half === null || !(value >= 0) || !(half > 0)) {
			fault = 'Both as numbers: what you expect, and how far off it would surprise you.';
			return;
		}
		fault = undefined;
		const estimate = contexts[parameter]?.expected ?? null;
		desk.change({
			said: {
				parameter,
				expected: Math.max(0, convert(value, unit, canonicalUnit)),
				give: Math.abs(convertSpan(half, unit, canonicalUnit)),
				estimate: estimate && {
					value: Math.max(0, estimate.value),
					sd: Math.hypot(estimate.uRandom, estimate.uCommon)
				}
			}
		});
	}
	function hide(): void {
		const { blind: _, ...others } = desk.draft!.reading.circumstances;
		desk.read({ circumstances: blind ? others : { ...others, blind: true } });
	}
</script>

<!-- Nothing of it stands beside the reading's own fields until somebody asks for it. -->
<Disclosure
	bind:open
	class="mt-3 max-w-[38rem]"
	title={said || blind ? 'Said first, read blind' : 'Say first, or read blind'}
	look="link min-h-11"
>
	{#if open}
		<div class="mt-2 flex flex-wrap items-end gap-3">
			{#if said}
				{@const shown = inUnit(parameter, said.expected, said.give / COVERAGE, unit)}
				<p class="figures">
					You expect {shown.value}, give or take {shown.plusMinus}
					{UNITS[unit].symbol}. It stays on this device until the reading is kept.
				</p>
				<Button kind="text" class="min-h-11" onclick={() => desk.change({ said: null })}>Say it again</Button>
			{:else}
				<Field
					label="{nameWithin(parameter)}, as you expect it"
					unit={UNITS[unit].symbol}
					inputmode="decimal"
					bind:value={expected}
					class="w-44"
					{fault}
				/>
				<Field
					label="nine times of ten within"
					unit={UNITS[unit].symbol}
					inputmode="decimal"
					bind:value={give}
					class="w-44"
				/>
				<Button class="min-h-12" onclick={say}>Say it</Button>
			{/if}
		</div>
		<div class="mt-3">
			<Button kind="choice" pressed={blind} onclick={hide}>Hide the value until it is read</Button>
		</div>
		<p class="small mt-2 text-muted">
			Whoever knows what should come reads it. Only readings that were hidden tell how well you read.
		</p>
	{/if}
</Disclosure>
