<script lang="ts">
	import { isProfileId, PROFILE_IDS, PROFILES, type Band, type TargetProfile } from '$lib/core/judgement';
	import { PARAMETER_IDS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import TargetForm from './TargetForm.svelte';

	type Dated = Band & { readonly parameter: ParameterId; readonly source: string; readonly fromAt: Instant };
	interface Props {
		waterId: string;
		waterName: string;
		/** Newest first. */
		targets: readonly Dated[];
		profile: string | null;
		ids: Readonly<Record<string, string>>;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		refused: { entered: Record<string, string>; field: string; text: string } | null;
	}
	let { waterId, waterName, targets, profile, ids, units, timeZone, now, refused }: Props = $props();

	const chosen: TargetProfile | null = $derived(profile && isProfileId(profile) ? PROFILES[profile] : null);
	/** It has a band, the profile has one, or something was just entered for it. */
	const matters = (p: ParameterId) =>
		targets.some((t) => t.parameter === p) ||
		chosen?.bands[p] !== undefined ||
		refused?.entered.parameter === p;
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Targets of {waterName}</h1>
	<p class="mt-1 max-w-[40rem] text-muted">
		The band in which a value is wanted, and what you aim at. A change counts from its date on; earlier
		verdicts keep the band of their time. Bands are conventions of husbandry, not laws: steadiness matters
		more than the exact figure.
	</p>
	<nav aria-label="Fill in from a profile" class="small mt-5 flex flex-wrap items-center gap-x-5">
		<span class="text-muted">Fill in from</span>
		{#each PROFILE_IDS as id (id)}
			<a class="link flex min-h-10 items-center {id === profile ? 'font-semibold' : ''}" href="?profile={id}"
				>{PROFILES[id].name}</a
			>
		{/each}
		<a class="link flex min-h-10 items-center font-semibold" href="/waters/{waterId}/profiles"
			>Profiles of your own</a
		>
		<a class="link flex min-h-10 items-center" href="/waters/{waterId}/testing">Kind and stage of the water</a
		>
	</nav>
	{#snippet form(parameter: ParameterId)}
		<TargetForm
			{parameter}
			history={targets.filter((t) => t.parameter === parameter)}
			suggestion={chosen?.bands[parameter] ?? null}
			suggestionSource={chosen ? `${chosen.source}: ${chosen.name.toLowerCase()}` : ''}
			id={ids[parameter]!}
			unit={units[parameter]}
			{timeZone}
			{now}
			refused={refused?.entered.parameter === parameter ? refused : null}
		/>
	{/snippet}
	{#each PARAMETER_IDS.filter(matters) as parameter (parameter)}{@render form(parameter)}{/each}
	<Disclosure class="mt-10 border-t pt-3" title="Parameters without a band here" look="link min-h-11">
		{#each PARAMETER_IDS.filter((p) => !matters(p)) as parameter (parameter)}{@render form(parameter)}{/each}
	</Disclosure>
</main>
