<script lang="ts">
	import { enhance } from '$app/forms';
	import {
		METER_UNITS,
		STAGES_OF_UNIT,
		UNIT_PARTS,
		type PurifiedFact,
		type PurifiedState
	} from '$lib/core/purified';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import {
		METER_UNIT_NAMES,
		meterWords,
		purifiedFactWords,
		purifiedSentence,
		rejectionWords,
		STAGE_OF_UNIT_NAMES,
		UNIT_PART_NAMES,
		unitPartWords
	} from '$lib/format/purified/purified';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import WhenField from '$lib/ui/shared/WhenField.svelte';

	interface Props {
		state: PurifiedState;
		entries: readonly {
			readonly id: string;
			readonly at: Instant;
			readonly fact: PurifiedFact;
			readonly note: string;
			readonly by: string;
		}[];
		id: string;
		timeZone: string;
		now: Instant;
		refused: {
			readonly entered: Readonly<Record<string, string>>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { state: unit, entries, id, timeZone, now, refused }: Props = $props();

	const fault = (field: string) => (refused?.field === field ? refused.text : undefined);
	const entered = (field: string) => refused?.entered[field] ?? '';
	const UNITS = METER_UNITS.map((value) => ({ value, name: METER_UNIT_NAMES[value] }));
	const SHOWN = ['tap', 'after-membrane', 'after-resin', 'happenedAt'];
	const WARNS = new Set(['done', 'old']);
</script>

<main class="page max-w-[64rem]!">
	<h1 class="text-3xl">Purified water</h1>
	<p
		class="mt-3 border-l-4 pl-4 text-xl {unit.isPure === false ? 'border-warn font-semibold' : 'border-ink'}"
		role="status"
	>
		{purifiedSentence(unit, timeZone, now)}
	</p>
	<div class="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
		<section aria-labelledby="along">
			<h2 id="along" class="text-xl">Along the unit</h2>
			<ol class="mt-2 border-b">
				{#each STAGES_OF_UNIT as stage (stage)}
					{@const read = unit.readings[stage]}
					<li class="flex flex-wrap justify-between gap-x-4 border-t py-2.5">
						<span>{STAGE_OF_UNIT_NAMES[stage]}</span>
						<span class="figures {read ? 'font-semibold' : 'text-muted'}"
							>{read ? `${meterWords(read.us)}, ${shortDay(read.at, timeZone, now)}` : 'not measured'}</span
						>
					</li>
				{/each}
			</ol>
			{#if rejectionWords(unit)}<p class="mt-2">{rejectionWords(unit)}</p>{/if}
			<h2 class="mt-6 text-xl">What is changed from time to time</h2>
			<ul class="mt-2 border-b">
				{#each unit.parts as part (part.part)}
					<li class="border-t py-2.5">
						<strong>{UNIT_PART_NAMES[part.part]}.</strong>
						<span class={WARNS.has(part.state.kind) ? 'font-semibold text-warn' : 'text-muted'}
							>{unitPartWords(part, timeZone, now)}</span
						>
					</li>
				{/each}
			</ul>
			<p class="small mt-3 text-muted">
				A meter finds what conducts. It sees neither silicate well nor chloramine at all: where the water
				works use it, ask for a carbon filter that takes it, and test for chlorine. How long parts last is a
				rule of thumb; the leaflet of your unit goes before.
			</p>
		</section>
		<section aria-labelledby="note" class="border-2 border-ink p-5">
			<h2 id="note" class="text-xl">Note what you read or changed</h2>
			<form method="post" use:enhance={sending} class="mt-3 grid gap-4">
				<Hidden name="id" value={id} />
				{#if refused && !SHOWN.includes(refused.field)}<Fault text={refused.text} />{/if}
				<Choice name="unit" label="The meter shows" items={UNITS} value={entered('unit') || 'us-per-cm'} />
				{#each STAGES_OF_UNIT as stage (stage)}
					<Field
						name={stage}
						label={STAGE_OF_UNIT_NAMES[stage]}
						inputmode="decimal"
						large={stage === 'after-resin'}
						value={entered(stage)}
						fault={fault(stage)}
					/>
				{/each}
				<fieldset>
					<legend class="font-semibold">Changed just now</legend>
					<div class="flex flex-wrap gap-x-6">
						{#each UNIT_PARTS as part (part)}
							<Checkbox name="changed" value={part}>{UNIT_PART_NAMES[part]}</Checkbox>
						{/each}
					</div>
				</fieldset>
				<WhenField
					name="happenedAt"
					label="When"
					entered={refused?.entered.happenedAt}
					{timeZone}
					{now}
					fault={fault('happenedAt')}
				/>
				<Field name="note" label="Note" value={entered('note')} />
				<div><Button kind="primary" size="large" type="submit">Keep it</Button></div>
			</form>
		</section>
	</div>
	<h2 class="label mt-8 border-b pb-1">What was noted</h2>
	<ul class="small">
		{#each entries.slice(0, 30) as entry (entry.id)}
			<li class="flex flex-wrap gap-x-4 border-b py-2">
				<span class="figures text-muted">{shortDay(entry.at, timeZone, now)}, {entry.by}</span>
				<span>{purifiedFactWords(entry.fact)}{entry.note ? `. ${entry.note}` : ''}</span>
			</li>
		{:else}<li class="py-2 text-muted">Nothing yet.</li>{/each}
	</ul>
</main>
