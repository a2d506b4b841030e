<script lang="ts">
	import type { SheetWords } from '$lib/contract/sheet';

	/** What a visitor is handed, on one page of paper where it fits. */
	let { sheet }: { sheet: SheetWords } = $props();
</script>

<article class="paper">
	<header class="flex flex-wrap items-baseline justify-between gap-x-8 border-b-2 border-ink pb-2">
		<h1 class="text-3xl leading-tight">{sheet.water}</h1>
		<p class="text-muted">{sheet.about}</p>
		<p class="figures w-full">
			As it stood on {sheet.at}{sheet.by ? `, from ${sheet.by}` : ''}
		</p>
	</header>
	{#if sheet.note}<p class="mt-4 border-l-4 border-line-strong pl-3 whitespace-pre-line">{sheet.note}</p>{/if}

	<h2 class="mt-5 text-xl">What to do</h2>
	{#if sheet.todo.length === 0}
		<p class="mt-1">Nothing at present. Go on as it is, and test when it is due.</p>
	{:else}
		<ol class="mt-1 list-decimal space-y-2 pl-5">
			{#each sheet.todo as one, i (i)}
				<li>
					<strong class={one.danger ? 'text-warn' : ''}>{one.danger ? 'Danger: ' : ''}{one.title}</strong>
					{one.text}
				</li>
			{/each}
		</ol>
	{/if}

	<h2 class="mt-6 text-xl">Where it stands</h2>
	{#if sheet.rows.length === 0}
		<p class="mt-1 text-muted">Nothing was tested yet.</p>
	{:else}
		<ul class="mt-1 border-b">
			{#each sheet.rows as row (row.name)}
				<li class="row border-t py-1.5">
					<strong>{row.name}</strong>
					<span class="figures"
						><span class="text-xl font-bold">{row.value}</span>
						<span class="text-muted">{row.plusMinus}</span></span
					>
					<span class="small figures">wanted {row.wanted}</span>
					<span class="small"
						><strong class={row.outside ? 'text-warn' : ''}>{row.verdict}.</strong>
						{row.means}
						<span class="text-muted">{row.read}.</span></span
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#if sheet.next}<p class="mt-4"><strong>Test next:</strong> {sheet.next}.</p>{/if}
	<p class="small mt-5 text-muted">
		± says between which values it lies in 19 of 20 cases. Before you add anything, test again; add a product
		only as its label and its safety data sheet say, change slowly, and watch the animals. What this says is
		no diagnosis of a sick animal: ask somebody who may treat it.
	</p>
</article>

<style>
	.row {
		display: grid;
		grid-template-columns: 8rem 11rem 9rem minmax(0, 1fr);
		gap: 0 1.25rem;
		align-items: baseline;
		break-inside: avoid;
	}
	@media (max-width: 44rem) {
		.row {
			grid-template-columns: 1fr 1fr;
		}
	}
	@media print {
		.row {
			grid-template-columns: 5.5rem 9rem 8rem minmax(0, 1fr);
		}
		.paper {
			font-size: 10pt;
			line-height: 1.35;
		}
		li {
			break-inside: avoid;
		}
	}
</style>
