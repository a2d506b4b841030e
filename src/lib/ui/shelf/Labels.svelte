<script lang="ts">
	import type { ShelfAnswer, ShelfThing } from '$lib/contract/shelf-view';
	import { PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { HAZARD_NAMES } from '$lib/format/bench/hazard';
	import Button from '$lib/ui/kit/Button.svelte';
	import PrintButton from '$lib/ui/kit/PrintButton.svelte';

	interface Props {
		waterId: string;
		shelf: ShelfAnswer;
		timeZone: string;
		now: Instant;
	}
	let { waterId, shelf, timeZone, now }: Props = $props();

	interface Label {
		readonly key: string;
		readonly large: string;
		readonly small: string;
		readonly foot: string;
		readonly hazards: string;
	}
	const dates = (t: ShelfThing) =>
		[
			t.lotCode ? `lot ${t.lotCode}` : '',
			t.openedAt ? `opened ${shortDay(t.openedAt, timeZone, now)}` : '',
			t.supply.goodUntil ? `until ${shortDay(t.supply.goodUntil, timeZone, now)}` : ''
		]
			.filter(Boolean)
			.join(' · ');
	/** By what they tell; syringes and scoops at the end. */
	const rank = (t: ShelfThing) =>
		t.method ? PARAMETER_IDS.indexOf(t.method.parameter) : PARAMETER_IDS.length;
	const methodName = (code: string) =>
		shelf.things.find((t) => t.method?.code === code)?.method?.name ?? code;
	const labels = $derived<Label[]>(
		shelf.things
			.filter((t) => t.retiredAt === null)
			.sort((a, b) => rank(a) - rank(b))
			.flatMap((t) => {
				if (t.kind === 'kit' && t.method) {
					const { parameter, reagents } = t.method;
					return t.bottles.map((b) => {
						const reagent = reagents.find((r) => r.label === b.reagent);
						return {
							key: `${t.id}/${b.reagent}`,
							large: `${PARAMETERS[parameter].symbol} ${b.reagent}`,
							small: reagent?.what ?? '',
							foot: dates(t),
							hazards: reagent?.hazards.map((h) => HAZARD_NAMES[h]).join(', ') ?? ''
						};
					});
				}
				if (t.details.belongsTo) {
					const { methodCode, reagent } = t.details.belongsTo;
					return [
						{ key: t.id, large: `only ${reagent}`, small: methodName(methodCode), foot: t.name, hazards: '' }
					];
				}
				if (t.kind === 'standard')
					return [{ key: t.id, large: 'Standard', small: t.name, foot: dates(t), hazards: '' }];
				return [];
			})
	);
	/** Those that are wanted; all of them until some are left out. */
	let left = $state<readonly string[]>([]);
	const toggle = (key: string) =>
		(left = left.includes(key) ? left.filter((k) => k !== key) : [...left, key]);
</script>

<main class="page">
	<p class="label print:hidden"><a class="link" href="/waters/{waterId}/shelf">Shelf</a></p>
	<div class="flex flex-wrap items-baseline justify-between gap-4 print:hidden">
		<h1 class="mt-2 text-3xl">Labels</h1>
		<PrintButton />
	</div>
	<p class="mt-1 text-muted print:hidden">
		For bottles, syringes and scoops. Press one to leave it out. Cover them with clear tape: alcohol takes ink
		off.
	</p>
	<ul class="labels mt-6">
		{#each labels as label (label.key)}
			{@const out = left.includes(label.key)}
			<li class={out ? 'out' : ''}>
				<Button kind="bare" aria-pressed={!out} class="label-card" onclick={() => toggle(label.key)}>
					<span class="text-2xl leading-tight font-bold">{label.large}</span>
					<span class="block leading-tight">{label.small}</span>
					{#if label.hazards}<span class="block text-[0.8rem] leading-tight font-semibold"
							>{label.hazards}</span
						>{/if}
					<span class="figures block text-[0.8rem] leading-tight text-muted">{label.foot}</span>
				</Button>
			</li>
		{:else}
			<li class="text-muted">Nothing on the shelf needs a label yet.</li>
		{/each}
	</ul>
</main>

<style>
	.labels {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(50mm, 1fr));
		gap: 4mm;
	}
	.labels :global(.label-card) {
		width: 100%;
		min-height: 26mm;
		padding: 2.5mm 3mm;
		border: 1px solid var(--ink);
		border-radius: 2px;
		text-align: left;
		break-inside: avoid;
	}
	.out :global(.label-card) {
		opacity: 0.4;
		border-style: dashed;
	}
	@media print {
		.out {
			display: none;
		}
	}
</style>
