<script lang="ts">
	import type { Snippet } from 'svelte';
	import { enhance } from '$app/forms';
	import type { ShelfThing, UnusedSchool } from '$lib/contract/shelf-view';
	import { DROPPER_STATES, titrantReagentOf } from '$lib/core/method';
	import { DROPPER_NAMES } from '$lib/format/shelf/shelf';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';

	let { thing, id, unused }: { thing: ShelfThing; id: string; unused: UnusedSchool } = $props();

	const reagents = $derived(thing.bottles.map((b) => ({ value: b.reagent, name: b.reagent })));
	/** The bottle whose drops make the result. */
	const titrant = $derived(
		(thing.method && titrantReagentOf(thing.method)) ?? thing.bottles[0]?.reagent ?? ''
	);
	let trial = $state('weighing');
</script>

{#snippet form(kind: string, summary: string, body: Snippet, press: string)}
	<Disclosure class="border-t" look="min-h-12 font-semibold"
		>{#snippet title()}{summary}{/snippet}
		<form method="post" action="?/note" use:enhance class="grid gap-4 pb-5 sm:grid-cols-2">
			<Hidden name="id" value={id} />
			<Hidden name="kind" value={kind} />
			{@render body()}
			<div class="sm:col-span-2"><Button type="submit">{press}</Button></div>
		</form>
	</Disclosure>
{/snippet}
{#snippet counted()}
	<Choice name="reagent" label="Bottle" items={reagents} />
	<Field
		name="amount"
		label="Left in it"
		unit="mL or scoops"
		inputmode="decimal"
		help="Hold it beside a full one; a third of it is good enough."
	/>
{/snippet}
{#snippet dropper()}
	<Choice name="reagent" label="Bottle" items={reagents} value={titrant} />
	<Choice
		name="state"
		label="Its drops"
		items={DROPPER_STATES.map((s) => ({ value: s, name: DROPPER_NAMES[s] }))}
	/>
	<p class="small text-muted sm:col-span-2">
		An uneven or leaky dropper widens every result that is counted with it. Past results show how they would
		move before they do.
	</p>
{/snippet}
{#snippet dropSize()}
	<Choice name="reagent" label="Bottle" items={reagents} value={titrant} />
	<Choice
		name="by"
		label="How"
		bind:value={trial}
		items={[
			{ value: 'weighing', name: 'weighed' },
			{ value: 'mark', name: 'counted to a mark' }
		]}
	/>
	<Field
		name="drops"
		label="Drops"
		inputmode="numeric"
		help="At least 20: holders and angles change a drop by 3 to 10 %."
	/>
	{#if trial === 'weighing'}
		<Field name="massG" label="Weight of them" unit="g" inputmode="decimal" />
		<Field name="uMassG" label="The balance is good to" unit="g" inputmode="decimal" value="0.01" />
		<Field
			name="densityGPerMl"
			label="Density"
			unit="g/mL"
			inputmode="decimal"
			value="1"
			help="1 for most reagents; the label may say."
		/>
	{:else}
		<Field name="ml" label="The mark" unit="mL" inputmode="decimal" />
		<Field name="uMl" label="The mark is good to" unit="mL" inputmode="decimal" value="0.02" />
	{/if}
{/snippet}
{#snippet putBack()}
	<Choice name="reagent" label="Bottle" items={reagents} value={titrant} />
	<p class="small text-muted sm:col-span-2">
		What touched a syringe may spoil the bottle: a trace of another reagent is in every later test. The
		leaflet decides;
		{unused === 'put-back' ? 'you have chosen to put it back' : 'you have chosen not to'} under Units and habits.
	</p>
{/snippet}
{#snippet boxChecked()}
	<Choice
		name="complete"
		label="Looked through"
		items={[
			{ value: 'yes', name: 'all of it is there' },
			{ value: 'no', name: 'something is missing' }
		]}
	/>
	<Field name="note" label="What is missing, if something is" />
{/snippet}
{#snippet doubted()}
	<div class="sm:col-span-2"><Field name="note" label="What is odd about it" /></div>
{/snippet}
{#snippet retired()}
	<div class="sm:col-span-2">
		<Field
			name="note"
			label="Why"
			help="Its results stay as they are. If a check says by how much it was off, accept that correction first: then they are derived again."
		/>
	</div>
{/snippet}

{#if thing.kind === 'kit'}
	{@render form('box-checked', 'Is its box complete?', boxChecked, 'Note it')}
{/if}
{#if thing.bottles.length > 0}
	{@render form('counted', 'Look at what is left', counted, 'Note what is left')}
	{@render form('dropper', 'Note how a dropper behaves', dropper, 'Note the dropper')}
	{@render form('drop-size', 'Calibrate a drop', dropSize, 'Keep this drop size')}
	{@render form('put-back', 'Unused reagent was put back', putBack, 'Note it')}
{/if}
{#if thing.method}{@render form('doubted', 'Doubt it', doubted, 'Note the doubt')}{/if}
{#if thing.retiredAt === null}{@render form('retired', 'Retire it', retired, 'Retire it')}{/if}
