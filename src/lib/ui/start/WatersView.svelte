<script lang="ts">
	import { enhance } from '$app/forms';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import AddWaterForm from './AddWaterForm.svelte';
	import ChangeWaterForms from './ChangeWaterForms.svelte';
	import { waterFacts, type ShownWater } from './shown-water';

	interface Props {
		/** From which water one came. */
		here: string;
		/** Somebody's own Tevrik, not the demo. */
		ownAccount: boolean;
		waters: readonly ShownWater[];
		/** Whose changes stand open. */
		edited: string | null;
		addId: string;
		zoneId: string;
		/** One for each press. */
		orderIds: readonly string[];
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string; stray: boolean } | null;
	}
	let { here, ownAccount, waters, edited, addId, zoneId, orderIds, units, timeZone, now, refused }: Props =
		$props();

	const running = $derived(waters.filter((w) => w.endedAt === null));
	const ended = $derived(waters.filter((w) => w.endedAt !== null));
	/** The ids with one of them a place earlier. */
	const earlier = (at: number) => {
		const ids = running.map((w) => w.id);
		[ids[at - 1], ids[at]] = [ids[at]!, ids[at - 1]!];
		return ids.join(' ');
	};
	const isZone = $derived(refused?.entered.timeZone !== undefined);
	const isAdding = $derived(refused !== null && refused.entered.waterId === undefined && !isZone);
</script>

{#snippet one(water: ShownWater, at: number)}
	<li class="border-t py-4">
		<div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
			<div class="min-w-0">
				<h2 class="text-xl">
					<a class="link" href="/waters/{water.id}/today">{water.name}</a>
				</h2>
				<p class="figures small mt-0.5 text-muted">{waterFacts(water, timeZone, now)}</p>
			</div>
			{#if at > 0}
				<form method="post" action="?/order" use:enhance={sending}>
					<Hidden name="id" value={orderIds[at] ?? ''} />
					<Hidden name="waterIds" value={earlier(at)} />
					<Button kind="text" type="submit" class="small min-h-11"
						>Move up<span class="visually-hidden">: {water.name}</span></Button
					>
				</form>
			{/if}
		</div>
		<Disclosure
			title="Change {water.name}"
			open={edited === water.id}
			look="link small min-h-11"
			class="mt-1"
		>
			<ChangeWaterForms
				{water}
				{timeZone}
				{now}
				refused={refused?.entered.waterId === water.id ? refused : null}
			/>
		</Disclosure>
	</li>
{/snippet}

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Waters</h1>
	<p class="mt-2 max-w-[44rem] text-muted">
		A tank with its sump is one water, and so are several tanks on one sump. A barrel, a tap and a bottle of
		somebody else’s are waters too.
	</p>
	<ul class="mt-5 border-b">
		{#each running as water, at (water.id)}{@render one(water, at)}{/each}
	</ul>
	<Disclosure title="Add a water" open={isAdding} class="mt-6" look="link min-h-12 text-lg font-semibold">
		<AddWaterForm id={addId} {units} {timeZone} {now} refused={isAdding ? refused : null} />
	</Disclosure>
	{#if ended.length > 0}
		<h2 class="mt-10 text-xl">Taken down</h2>
		<p class="small mt-1 text-muted">They are kept as they were; nothing is asked of them.</p>
		<ul class="mt-3 border-b">
			{#each ended as water (water.id)}{@render one(water, 0)}{/each}
		</ul>
	{/if}
	<Disclosure title="Where they stand: {timeZone}" open={isZone} class="mt-8" look="link min-h-11">
		<form method="post" action="?/zone" use:enhance={sending} class="mt-2 flex max-w-[30rem] items-end gap-4">
			<Hidden name="id" value={refused?.entered.id ?? zoneId} />
			<Field
				name="timeZone"
				label="Time zone"
				value={refused?.entered.timeZone ?? timeZone}
				help="Days and times of day are told by its clock."
				fault={isZone ? refused?.text : undefined}
				class="grow"
			/>
			<Button type="submit" class="mb-6">Keep it</Button>
		</form>
	</Disclosure>
	<p class="mt-6 flex flex-wrap gap-x-8">
		<a class="link" href="/waters/{here}/kits">What you test with</a>
		{#if ownAccount}<a class="link" href="/begin/demo">Look at the made-up world</a>{/if}
	</p>
</main>
