<script lang="ts">
	import { goto } from '$app/navigation';
	import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
	import { READING_WAYS, type ReadingWay } from '$lib/core/shelf';
	import { fixed } from '$lib/format/number';
	import { READING_WAY_NAMES } from '$lib/format/shelf/shelf';
	import Badge from '$lib/ui/kit/Badge.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	interface Props {
		water: { readonly id: string; readonly name: string };
		list: readonly {
			readonly parameter: ParameterId;
			readonly perYear: number;
			readonly hasKit: boolean;
			readonly kinds: readonly {
				readonly code: string;
				readonly name: string;
				readonly full: number | null;
				readonly half: number | null;
				readonly packs: number | null;
			}[];
		}[];
		way: ReadingWay;
	}
	let { water, list, way }: Props = $props();

	const base = $derived(`/waters/${water.id}`);
	const missing = $derived(list.filter((g) => !g.hasKit));
	/** By the cheapest kind of each. */
	const sum = $derived(list.reduce((total, g) => total + (g.kinds[0]?.full ?? 0), 0));
	const MOST = 4;
	function yearWords(full: number, half: number | null): string {
		const whole = `${fixed(full, 0)} a year`;
		return half === null || fixed(half, 0) === fixed(full, 0)
			? whole
			: `${whole}, ${fixed(half, 0)} with half the sample`;
	}
</script>

<main class="page max-w-[60rem]!">
	<p class="label"><a class="link" href="{base}/shelf">Shelf</a></p>
	<h1 class="mt-2 text-3xl">What to get for {water.name}</h1>
	<p class="mt-1 max-w-[46rem] text-muted">
		Kinds of kits, the most pressing first, with what each costs in a year at the pace of this water and of
		your sets. What goes off once opened is counted as bought again. Prices are those paid last, else the
		kit’s own.
	</p>
	<form method="get" class="mt-4 max-w-72">
		<Choice
			name="way"
			label="You like to read"
			value={way}
			items={READING_WAYS.map((value) => ({ value, name: READING_WAY_NAMES[value] }))}
			onpick={(picked) => void goto(`?way=${picked}`, { keepFocus: true, noScroll: true })}
		/>
	</form>
	{#if missing.length > 0}
		<p class="mt-5 border-l-4 border-warn pl-3 text-lg">
			Nothing is on the shelf for {missing.map((g) => PARAMETERS[g.parameter].name.toLowerCase()).join(', ')}.
		</p>
	{/if}
	<ol class="mt-5 border-b">
		{#each list as get (get.parameter)}
			<li class="grid gap-x-8 gap-y-1 border-t py-4 sm:grid-cols-[13rem_minmax(0,1fr)]">
				<div>
					<h2 class="text-xl">{PARAMETERS[get.parameter].name}</h2>
					<p class="small figures text-muted">about {get.perYear} tests a year</p>
					<div class="mt-1">
						{#if get.hasKit}<Badge>on the shelf</Badge>{:else}<Badge warns>no kit for it</Badge>{/if}
					</div>
				</div>
				<ul>
					{#each get.kinds.slice(0, MOST) as kind (kind.code)}
						<li class="flex flex-wrap justify-between gap-x-4 border-t py-1.5 first:border-t-0">
							<a class="link" href="{base}/methods/{kind.code}">{kind.name}</a>
							<span class="figures"
								>{kind.full === null ? 'no price known' : yearWords(kind.full, kind.half)}</span
							>
						</li>
					{:else}
						<li class="text-muted">
							No kind that is read so. <a class="link" href="{base}/methods/new?parameter={get.parameter}"
								>Enter one from its leaflet</a
							>
						</li>
					{/each}
				</ul>
			</li>
		{/each}
	</ol>
	{#if sum > 0}<p class="figures mt-3 text-right">The cheapest of each: about {fixed(sum, 0)} a year.</p>{/if}
</main>
