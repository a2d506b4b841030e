<script lang="ts">
	import { enhance } from '$app/forms';
	import { LONGEST } from '$lib/contract/lengths';
	import type { Band } from '$lib/core/judgement';
	import { PARAMETER_IDS, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { SOURCE_CAUTION } from '$lib/format/judgement/source-fit';
	import { bandInUnit, limitInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';

	type Own = Band & { readonly parameter: ParameterId };
	interface Props {
		water: { readonly id: string; readonly name: string };
		profiles: readonly {
			readonly id: string;
			readonly name: string;
			readonly source: string;
			readonly bands: readonly Own[];
		}[];
		/** The site's tap, and what of each profile it has; null where there is none. */
		source: {
			readonly id: string;
			readonly name: string;
			readonly read: string;
			readonly fits: Readonly<Record<string, string>>;
		} | null;
		/** Bands of the water, newest first: a new profile begins with those in force. */
		targets: readonly (Own & { readonly fromAt: Instant })[];
		edited: string | null;
		id: string;
		units: Readonly<Record<ParameterId, UnitId>>;
		now: Instant;
		refused: {
			readonly entered: Record<string, string>;
			readonly field: string;
			readonly text: string;
		} | null;
	}
	let { water, profiles, source, targets, edited, id, units, now, refused }: Props = $props();

	const before = $derived(profiles.find((p) => p.id === edited) ?? null);
	const bandOf = (p: ParameterId): Band | undefined =>
		before
			? before.bands.find((b) => b.parameter === p)
			: targets.find((t) => t.parameter === p && t.fromAt <= now);
	const shown = (p: ParameterId, side: 'low' | 'high' | 'aim') => {
		const entered = refused?.entered[`${p}.${side}`];
		if (entered !== undefined) return entered;
		const value = bandOf(p)?.[side] ?? null;
		return value === null ? '' : limitInUnit(p, value, units[p]);
	};
	const fault = (field: string) => (refused?.field === field ? refused.text : undefined);
	const known = $derived(
		new Set([
			'name',
			'source',
			...PARAMETER_IDS.flatMap((p) => ['low', 'high', 'aim'].map((s) => `${p}.${s}`))
		])
	);
	const general = $derived(refused && !known.has(refused.field) ? refused.text : null);
	const summary = (bands: readonly Own[]) =>
		bands
			.filter((b) => b.low !== null || b.high !== null)
			.map((b) => `${PARAMETERS[b.parameter].symbol} ${bandInUnit(b.parameter, b, units[b.parameter])}`)
			.join('; ');
</script>

<main class="page max-w-[60rem]!">
	<h1 class="text-3xl">Profiles of your own</h1>
	<p class="mt-1 max-w-[44rem] text-muted">
		Bands under a name: the needs of a species, a shop’s advice, your own experience; each with where it comes
		from. They serve every water of this site.
	</p>
	<ul class="mt-6 border-b">
		{#each profiles as profile (profile.id)}
			<li class="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t py-3">
				<div class="min-w-0">
					<h2 class="text-lg">{profile.name}</h2>
					<p class="small text-muted">{profile.source}</p>
					<p class="small figures">{summary(profile.bands)}</p>
					{#if source?.fits[profile.id]}
						<p class="small mt-1">{source.fits[profile.id]}</p>
					{/if}
				</div>
				<div class="flex items-center gap-4">
					<a class="link flex min-h-10 items-center" href="?edit={profile.id}#bands"
						>Change<span class="visually-hidden"> {profile.name}</span></a
					>
					<form method="post" action="?/take" use:enhance={sending}>
						<Hidden name="profile" value={profile.id} />
						<Button type="submit" aria-label="Set it for {water.name}: {profile.name}"
							>Set it for {water.name}</Button
						>
					</form>
				</div>
			</li>
		{:else}
			<li class="border-t py-3 text-muted">None yet.</li>
		{/each}
	</ul>

	{#if source && Object.keys(source.fits).length > 0}
		<p class="small mt-3 max-w-[44rem] text-muted">
			<a class="link" href="/waters/{source.id}/today">{source.name}</a>, {source.read}. {SOURCE_CAUTION}
			<a class="link" href="/waters/{water.id}/adjust/blend">Blend and soften</a>
		</p>
	{/if}

	<h2 id="bands" class="mt-10 scroll-mt-4 text-2xl">
		{before ? `Change “${before.name}”` : 'A new profile'}
	</h2>
	<p class="small mt-1 text-muted">
		{before
			? 'Kept under the same name it replaces what it was; waters that took it before keep their bands.'
			: `It begins with the bands of ${water.name}. What is left empty is not touched when a water takes it.`}
	</p>
	<form method="post" action="?/save" use:enhance={sending} class="mt-4">
		<Hidden name="id" value={refused?.entered.id ?? id} />
		{#if general}<div class="mb-4"><Fault text={general} /></div>{/if}
		<div class="grid gap-4 sm:grid-cols-2">
			<Field
				name="name"
				label="Name"
				maxlength={LONGEST.profile}
				value={refused?.entered.name ?? before?.name ?? ''}
				fault={fault('name')}
			/>
			<Field
				name="source"
				label="Where it comes from"
				maxlength={LONGEST.source}
				value={refused?.entered.source ?? before?.source ?? ''}
				fault={fault('source')}
			/>
		</div>
		{#each PARAMETER_IDS as p (p)}
			<div
				role="group"
				aria-labelledby="bands-{p}"
				class="mt-4 grid gap-x-6 gap-y-2 border-t pt-3 sm:grid-cols-[10rem_minmax(0,1fr)]"
			>
				<h3 id="bands-{p}" class="text-base font-semibold">
					{PARAMETERS[p].name}
					{#if p !== 'ph'}<span class="small font-normal text-muted">{UNITS[units[p]].symbol}</span>{/if}
				</h3>
				<div class="grid grid-cols-3 gap-3">
					{#each [['low', 'From'], ['high', 'To'], ['aim', 'Aim']] as const as [side, label] (side)}
						<Field
							name="{p}.{side}"
							{label}
							inputmode="decimal"
							aria-label="{PARAMETERS[p].name}, {label.toLowerCase()}"
							value={shown(p, side)}
							fault={fault(`${p}.${side}`)}
						/>
					{/each}
				</div>
			</div>
		{/each}
		<div class="mt-6 flex gap-4">
			<Button kind="primary" type="submit" size="large">Keep the profile</Button>
			<Button kind="quiet" size="large" href="/waters/{water.id}/targets">Back to the targets</Button>
		</div>
	</form>
</main>
