<script lang="ts">
	import { PARAMETERS } from '$lib/core/quantity';
	import { markWord } from './chart/mark-word';
	import type { Series } from './chart/series';

	interface Props {
		series: Series;
	}
	let { series }: Props = $props();

	/** Under its parameter a kit need not say it again. */
	function shortName(name: string): string {
		const own = PARAMETERS[series.parameter].name;
		const rest = name.startsWith(own) ? name.slice(own.length).replace(/^[,\s]+(by )?/, '') : name;
		return rest || name;
	}
</script>

{#if series.kits.length > 1}
	<ul class="kits flex flex-wrap gap-x-3 font-normal text-muted md:mt-0.5 md:block">
		{#each series.kits as kit, k (kit.code)}
			<li class="truncate" title={kit.name}>{markWord(series, k)} {shortName(kit.name)}</li>
		{/each}
	</ul>
{/if}

<style>
	.kits {
		font-size: 14px;
		line-height: 1.25;
	}
</style>
