<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Method } from '$lib/core/method';
	import type { DoubtfulReading, SlipExplanation } from '$lib/core/plausibility';
	import { nameWithin, UNITS, type UnitId } from '$lib/core/quantity';
	import type { RawReading } from '$lib/core/reading';
	import { percent } from '$lib/format/number';
	import { inUnit, resultInUnit } from '$lib/format/quantity';
	import { slipQuestion } from '$lib/format/log/slip';
	import Button from '$lib/ui/kit/Button.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { sending } from '$lib/ui/shared/sending';

	interface Props {
		doubt: DoubtfulReading;
		method: Method;
		reading: RawReading;
		unit: UnitId;
		keepId: string;
		waterId: string;
		onslip: (slip: SlipExplanation) => void;
	}
	let { doubt, method, reading, unit, keepId, waterId, onslip }: Props = $props();

	const expected = $derived(inUnit(doubt.parameter, doubt.expected, doubt.sd, unit));
</script>

<section aria-label="A question about the reading" class="mt-6 border-y-2 border-ink py-5">
	<p class="text-lg">
		<strong class="figures">{resultInUnit(doubt.result, unit)}</strong> does not fit:
		<span class="figures whitespace-nowrap">{expected.value} ± {expected.plusMinus} {UNITS[unit].symbol}</span
		>
		was expected of this reading.
		{#if doubt.settled}
			The readings after it went on as before, so the estimate takes it for wrong ({percent(doubt.wrong)}) and
			hardly uses it.
		{:else}
			Either the reading is wrong ({percent(doubt.wrong)}), or the water changed ({percent(doubt.changed)}).
			Until it is repeated both stay, and the estimate is as wide as they are apart.
		{/if}
	</p>
	{#each doubt.slips as slip, i (i)}
		<p class="mt-4 text-lg">
			{slipQuestion(slip.kind, method, reading, slip.reading, slip.otherMethod)} Then {nameWithin(
				doubt.parameter
			)} would have been
			<strong class="figures whitespace-nowrap">{resultInUnit(slip.result, unit)}</strong>.
		</p>
		{#if slip.otherMethod === null}
			<p class="mt-2">
				<Button kind={i === 0 ? 'primary' : 'secondary'} onclick={() => onslip(slip)}>That is it</Button>
			</p>
		{:else}
			<p class="small mt-1 text-muted">
				If so, test again with the right kit, and say in the note of this one what happened.
			</p>
		{/if}
	{:else}
		<p class="mt-4">No usual slip explains it. A second test tells whether the water changed.</p>
	{/each}
	<form method="post" action="?/keep" use:enhance={sending} class="mt-4 flex flex-wrap gap-3">
		<Hidden name="id" value={keepId} />
		<Hidden name="slip" value={doubt.slips[0]?.kind ?? ''} />
		<Button type="submit">No, as entered</Button>
		<Button href="/waters/{waterId}/bench">Test again</Button>
	</form>
</section>
