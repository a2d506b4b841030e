<script lang="ts">
	import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import { inUnit, symbolAfter } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import StandPicture from './StandPicture.svelte';

	interface Props {
		/** What a supplement can raise, with where it stands; canonical unit. */
		offers: readonly {
			readonly parameter: ParameterId;
			readonly level: { readonly value: number; readonly u: number } | null;
			readonly outside: boolean;
			readonly band: { readonly low: number | null; readonly high: number | null } | null;
		}[];
		units: Readonly<Record<ParameterId, UnitId>>;
		base: string;
	}
	let { offers, units, base }: Props = $props();

	const shown = (parameter: ParameterId, level: { value: number; u: number }) => {
		const m = inUnit(parameter, level.value, level.u, units[parameter]);
		return `${m.value} ± ${m.plusMinus}${symbolAfter(units[parameter])}`;
	};
</script>

<p class="mt-1 text-muted">
	What can be raised, and where it stands. Each opens its plan; more can be added to it.
</p>
<ul class="figures mt-4 border-b">
	{#each offers as { parameter, level, band, outside } (parameter)}
		<li class="grid items-center gap-x-6 gap-y-1 border-t py-3 sm:grid-cols-[8rem_10rem_minmax(0,1fr)_auto]">
			<strong class="text-lg">{PARAMETERS[parameter].name}</strong>
			<span class={level ? '' : 'text-muted'}>{level ? shown(parameter, level) : 'not read lately'}</span>
			<span class="min-w-0">
				{#if level}
					<StandPicture
						value={{ parameter, ...level, low: band?.low ?? null, high: band?.high ?? null }}
						{outside}
						{units}
					/>
				{/if}
			</span>
			<Button class="sm:w-48" href="{base}/plan?goals={parameter}"
				>Raise {PARAMETERS[parameter].name.toLowerCase()}</Button
			>
		</li>
	{/each}
</ul>
<p class="small mt-3"><a class="link" href="{base}/supplements">Enter a product of your own</a></p>
